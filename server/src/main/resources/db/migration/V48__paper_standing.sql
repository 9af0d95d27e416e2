-- What is to be done about the papers of a type once they are complete: who must have them, and whether a second person
-- checks them.
alter table document_type add column receiving jsonb not null default '{"receivers": [], "secondCheck": false, "from": null}';

-- The second person's check of a paper's newest version, and what a complete paper still lacks, as its name says it.
alter table document
  add column checked_on date,
  add column checked_by text,
  add column lacks text not null default '',
  add column from_outside boolean not null default false;
-- the words in which the product has told since ever how a paper came
update document set from_outside = true where source like '%sent through the portal by %' or source like '%by mail from %';

-- How each paper stands, worked out anew from what was done whenever something was. Nothing stands here that is typed.
create table paper_standing (
  document_id uuid primary key references document on delete cascade,
  stage text not null,
  waits_for text,
  names jsonb not null,
  since date not null,
  sent integer not null,
  receivers integer not null,
  checked boolean not null,
  wants_check boolean not null,
  outdated boolean not null default false
);
create index paper_standing_waiting on paper_standing (waits_for, since) where waits_for is not null;
create index paper_standing_check on paper_standing (since) where wants_check;
create index paper_standing_outdated on paper_standing (document_id) where outdated;
