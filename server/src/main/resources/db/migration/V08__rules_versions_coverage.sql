-- every change of rules counts up; what was computed by older rules is computed anew
create table rules_revision (
  id smallint primary key check (id = 1),
  revision bigint not null
);
insert into rules_revision values (1, 1);

create table checklist_version (
  checklist_code text not null references checklist,
  place integer not null,
  from_day date,
  definition jsonb not null,
  requirement_labels jsonb not null,
  primary key (checklist_code, place)
);
insert into checklist_version (checklist_code, place, definition, requirement_labels)
  select code, 0, definition, requirement_labels from checklist;
alter table checklist drop column definition, drop column requirement_labels;

alter table slot drop column computed_for;
update slot set renewal = upper(replace(renewal, '-', '_'));
alter table slot add column falls_on date, add column falls_to text, add column course text not null default '';
create index slot_falls on slot (falls_on) where falls_on is not null;
create index slot_requirement on slot (checklist, requirement, status);
drop index slot_status;

alter table file_standing drop column computed_for;
alter table file_standing
  add column rules_revision bigint not null default 0,
  add column open_blocking integer not null default 0,
  add column waived integer not null default 0,
  add column on_file integer not null default 0,
  add column expiring integer not null default 0,
  add column in_grace integer not null default 0,
  add column in_review integer not null default 0,
  add column awaiting_signature integer not null default 0,
  add column lapsed integer not null default 0,
  add column sent_back integer not null default 0,
  add column not_yet_due integer not null default 0,
  add column missing integer not null default 0;
create index file_standing_clear on file_standing (clear, clear_through, file_id);
create index file_standing_outdated on file_standing (rules_revision);
create index person_file_number on person_file (number);

-- long work: how far it is
create table job (
  id uuid primary key,
  kind text not null,
  title text not null,
  total integer not null,
  done integer not null,
  state text not null,
  words text,
  started_by uuid,
  started_by_name text not null,
  started_at timestamptz not null,
  ended_at timestamptz
);
create index job_state on job (state, started_at);
