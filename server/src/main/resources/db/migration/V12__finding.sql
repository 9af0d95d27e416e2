create extension if not exists unaccent;

-- where the words of a page stand, four numbers for each; and papers that lie in files are read after those that arrive
alter table paper_page add column boxes bytea;
alter table paper_reading add column filed boolean not null default false;
create index paper_reading_queue on paper_reading (filed, asked_at) where state = 'QUEUED';

-- words as they are written, and in any form of the practice's language; both without accents
create text search configuration denfold_plain (copy = simple);
alter text search configuration denfold_plain
  alter mapping for hword, hword_part, word with unaccent, simple;
create text search configuration denfold_words (copy = english);
alter text search configuration denfold_words
  alter mapping for hword, hword_part, word with unaccent, english_stem;

-- what one can find a document by; written by a job from what the document is
create table findable (
  document_id uuid primary key references document on delete cascade,
  file_id uuid not null references person_file,
  types varchar[] not null,
  name text not null,
  document_date date not null,
  received_on date not null,
  stored_at timestamptz not null,
  source text not null,
  filed_by text not null,
  media_type text not null,
  pages integer not null,
  size bigint not null,
  voided_on date,
  decision varchar not null check (decision in ('NONE', 'ACCEPTED', 'SENT_BACK')),
  signed_roles varchar[] not null,
  fields jsonb not null,
  sha256 text not null,
  is_read boolean not null,
  pages_without_text integer not null,
  is_long boolean not null,
  is_cut boolean not null,
  words tsvector not null,
  name_words tsvector not null
);
create index findable_words on findable using gin (words);
create index findable_name_words on findable using gin (name_words);
create index findable_types on findable using gin (types);
create index findable_file on findable (file_id);
create index findable_dated on findable (document_date desc, document_id);

create table find_queue (
  id bigint generated always as identity primary key,
  document_id uuid not null
);

create table saved_search (
  id uuid primary key,
  version integer not null,
  name text not null,
  criteria jsonb not null,
  owner_id uuid not null references account,
  shared boolean not null,
  place varchar check (place in ('TODAY', 'FILES'))
);
create unique index saved_search_name on saved_search (owner_id, lower(name));

-- how readers turned a paper, on top of how recognition set its pages upright
create table paper_turn (
  sha256 text primary key references content,
  degrees integer not null
);

-- how a person likes the screens
create table account_preference (
  account_id uuid not null references account,
  name varchar not null,
  value jsonb not null,
  primary key (account_id, name)
);

-- papers that were there before
insert into find_queue (document_id) select id from document;
