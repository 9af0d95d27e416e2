create table paper_reading (
  sha256 text primary key references content,
  state text not null check (state in ('QUEUED', 'READ', 'FAILED')),
  pages_read integer not null,
  reason text,
  asked_at timestamptz not null,
  ended_at timestamptz
);

create table paper_page (
  sha256 text not null references content,
  page integer not null,
  turn integer not null,
  text text not null,
  text_from text not null check (text_from in ('LAYER', 'RECOGNISED', 'NONE')),
  codes text[] not null,
  blank boolean not null,
  look text not null,
  primary key (sha256, page)
);
create index paper_page_look on paper_page (look) where look <> '';

alter table arrival drop constraint arrival_source_check;
alter table arrival add constraint arrival_source_check check (source in ('DROP', 'PICKUP', 'PORTAL', 'MAIL', 'LINK'));
alter table arrival drop constraint arrival_state_check;
alter table arrival add constraint arrival_state_check
  check (state in ('WAITING', 'SET_ASIDE', 'FILED', 'DISCARDED', 'SPLIT', 'JOINED'));
alter table arrival add column sender text;
alter table arrival add column message text;
alter table arrival add column origin text unique;
alter table arrival add column batch_id uuid references arrival;
alter table arrival add column place integer not null default 0;
alter table arrival add column pages jsonb;
alter table arrival add column begins text;
alter table arrival add column cover text;
alter table arrival add column proposed_file uuid references person_file;
alter table arrival add column proposed_type text;
alter table arrival add column proposed_dated date;
create index arrival_batch on arrival (batch_id);
create index arrival_sha on arrival (sha256);

create table arrival_step (
  id uuid primary key,
  batch_id uuid not null references arrival,
  at timestamptz not null,
  account_id uuid,
  by_name text not null,
  words text not null,
  before jsonb not null
);
create index arrival_step_batch on arrival_step (batch_id, at);

create table arrival_look (
  arrival_id uuid primary key references arrival,
  account_id uuid not null,
  by_name text not null,
  at timestamptz not null
);

create table learned_type (
  type text primary key references document_type,
  papers integer not null
);

create table learned_word (
  word text not null,
  type text not null references document_type,
  papers integer not null,
  primary key (word, type)
);

create table learned_paper (
  document_id uuid primary key,
  type text not null,
  words text[] not null
);

create table pickup_desk (
  name text primary key,
  version integer not null,
  type text references document_type,
  description text,
  source text,
  split_blank boolean not null,
  split_counts boolean not null,
  split_every integer not null,
  drop_blank boolean not null,
  files_covers boolean not null
);

create index person_file_words on person_file using gin (string_to_array(search_text, ' '));
create index person_file_email on person_file (lower(email));

create table desk_file (
  desk text primary key,
  file_id uuid not null references person_file,
  account_id uuid not null,
  at timestamptz not null
);
