create table person_kind (
  code text primary key,
  version integer not null,
  label text not null,
  plural text not null,
  number_prefix text not null unique,
  next_number integer not null,
  ordinal integer not null,
  facts jsonb not null
);

create table person_file (
  id uuid primary key,
  version integer not null,
  number text not null unique,
  kind text not null references person_kind,
  given_name text not null,
  family_name text not null,
  birth_date date,
  email text,
  team text,
  search_text text not null,
  created_at timestamptz not null,
  last_activity_at timestamptz not null
);
create index person_file_search on person_file using gin (search_text gin_trgm_ops);
create index person_file_name on person_file (family_name, given_name);

create table active_span (
  file_id uuid not null references person_file,
  place integer not null,
  from_day date,
  to_day date,
  primary key (file_id, place)
);

create table fact (
  file_id uuid not null references person_file,
  place integer not null,
  name text not null,
  value text not null,
  from_day date,
  to_day date,
  primary key (file_id, place)
);

create table section (
  code text primary key,
  version integer not null,
  label text not null,
  ordinal integer not null
);

create table document_type (
  code text primary key,
  version integer not null,
  label text not null,
  section text not null references section,
  validity jsonb not null,
  naming_pattern text not null,
  signers jsonb not null,
  needs_review boolean not null,
  sensitive boolean not null,
  synonyms jsonb not null
);

create table checklist (
  code text primary key,
  version integer not null,
  label text not null,
  ordinal integer not null,
  definition jsonb not null,
  requirement_labels jsonb not null
);
