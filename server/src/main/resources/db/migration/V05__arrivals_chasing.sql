create table arrival (
  id uuid primary key,
  version integer not null,
  source text not null check (source in ('DROP', 'PICKUP', 'PORTAL')),
  brought_by text not null,
  account_id uuid references account,
  file_id uuid references person_file,
  suggested_type text references document_type,
  note text,
  file_name text not null,
  sha256 text not null references content,
  state text not null check (state in ('WAITING', 'SET_ASIDE', 'FILED', 'DISCARDED')),
  reason text,
  received_at timestamptz not null,
  document_id uuid references document
);
create index arrival_state on arrival (state, received_at);
create index arrival_account on arrival (account_id);

create table notice (
  id uuid primary key,
  version integer not null,
  file_id uuid references person_file,
  purpose text not null,
  recipient text not null,
  subject text not null,
  body text not null,
  queued_by text not null,
  queued_on date not null,
  queued_at timestamptz not null,
  state text not null check (state in ('QUEUED', 'SENT', 'FAILED')),
  attempts integer not null,
  finished_at timestamptz,
  result text
);
create index notice_file on notice (file_id, queued_at);
create index notice_recent on notice (queued_at);
