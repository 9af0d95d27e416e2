-- people and organisations without a file of their own: a guardian, an insurer
create table outsider (
  id uuid primary key,
  version integer not null,
  name text not null,
  organisation text,
  email text,
  phone text,
  search_text text not null
);
create index outsider_search on outsider using gin (search_text gin_trgm_ops);

create table relation (
  id uuid primary key,
  version integer not null,
  file_id uuid not null references person_file,
  kind varchar not null,
  other_file_id uuid references person_file,
  outsider_id uuid references outsider,
  words text,
  added_by text not null,
  added_at timestamptz not null,
  check ((other_file_id is null) <> (outsider_id is null))
);
create unique index relation_once on relation (file_id, kind, coalesce(other_file_id, outsider_id));
create index relation_other_file on relation (other_file_id) where other_file_id is not null;
create index relation_outsider on relation (outsider_id) where outsider_id is not null;
