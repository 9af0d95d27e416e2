-- files of one person put together; the one that is gone keeps its number and points to the one that stays
alter table person_file add column merged_into uuid references person_file;
create index person_file_merged on person_file (merged_into) where merged_into is not null;
create index person_file_born on person_file (birth_date) where birth_date is not null;

create table person_merge (
  id uuid primary key,
  version integer not null,
  kept_id uuid not null references person_file,
  gone_id uuid not null references person_file,
  by_name text not null,
  at timestamptz not null,
  before jsonb not null,
  after jsonb not null,
  moved jsonb not null,
  undone_at timestamptz,
  undone_by text
);
create index person_merge_kept on person_merge (kept_id);

-- pairs that somebody looked at and found to be two persons; the lesser id first
create table not_same_person (
  one_id uuid not null references person_file,
  other_id uuid not null references person_file,
  by_name text not null,
  at timestamptz not null,
  primary key (one_id, other_id)
);
