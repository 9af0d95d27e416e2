-- all that papers are found by stands in the index itself, so that searching reads no other module's tables
alter table findable
  add column given_name text,
  add column family_name text,
  add column number text,
  add column kind text,
  add column team text,
  add column person_text text,
  add column facts jsonb not null default '[]',
  add column versions integer not null default 1,
  add column changes integer not null default 0;
update findable f set
  given_name = p.given_name, family_name = p.family_name, number = p.number, kind = p.kind, team = p.team,
  person_text = p.search_text,
  facts = (select coalesce(jsonb_agg(jsonb_build_object(
             'name', a.name, 'value', a.value, 'from', a.from_day, 'to', a.to_day)), '[]')
           from fact a where a.file_id = p.id),
  versions = (select count(*) from document_version v where v.document_id = f.document_id),
  changes = (select d.version from document d where d.id = f.document_id)
  from person_file p where p.id = f.file_id;
alter table findable
  alter column given_name set not null,
  alter column family_name set not null,
  alter column number set not null,
  alter column kind set not null,
  alter column person_text set not null;

-- places of words are known of the first 16,000 of a paper only: of longer ones phrases are looked for page by page
create table findable_page (
  document_id uuid not null references findable on delete cascade,
  page integer not null,
  words tsvector not null,
  primary key (document_id, page)
);
insert into findable_page (document_id, page, words)
  select f.document_id, g.page, to_tsvector('denfold_plain', g.text)
  from findable f join paper_page g on g.sha256 = f.sha256 where f.is_long;
