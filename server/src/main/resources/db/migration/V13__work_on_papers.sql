-- words about a paper, and papers in the wastebasket
alter table document add column description text;
alter table document add column discarded_at timestamptz;
alter table document add column discarded_by text;

-- papers one person works on
create table document_hold (
  document_id uuid primary key references document on delete cascade,
  account_id uuid not null references account,
  by_name text not null,
  since timestamptz not null,
  last_at timestamptz not null
);

-- sections of files that were checked as complete
create table confirmed_section (
  file_id uuid not null references person_file,
  section text not null references section,
  by_name text not null,
  confirmed_on date not null,
  primary key (file_id, section)
);

-- papers passed to a colleague
create table hand_over (
  id uuid primary key,
  version integer not null,
  document_id uuid not null references document on delete cascade,
  file_id uuid not null references person_file,
  state text not null check (state in ('OPEN', 'FINISHED')),
  holder_id uuid not null references account,
  due date,
  steps jsonb not null
);
create unique index hand_over_open on hand_over (document_id) where state = 'OPEN';
create index hand_over_holder on hand_over (holder_id) where state = 'OPEN';
create index hand_over_document on hand_over (document_id);
