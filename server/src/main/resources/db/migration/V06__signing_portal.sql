create table desk_signing (
  id uuid primary key,
  version integer not null,
  document_id uuid not null references document,
  source_sha256 text not null references content,
  state text not null check (state in ('OPEN', 'COMPLETE', 'WITHDRAWN')),
  started_by text not null,
  started_at timestamptz not null,
  finished_at timestamptz
);
create unique index desk_signing_one_open on desk_signing (document_id) where state = 'OPEN';

create table desk_signing_step (
  signing_id uuid not null references desk_signing,
  place integer not null,
  role text not null,
  role_label text not null,
  signer text not null,
  page integer not null,
  left_part double precision not null,
  top_part double precision not null,
  method text,
  mark jsonb,
  signed_at timestamptz,
  primary key (signing_id, place)
);

create table guest_right (
  id uuid primary key,
  version integer not null,
  account_id uuid not null references account,
  file_id uuid not null references person_file,
  relation text not null,
  may_add boolean not null,
  granted_at timestamptz not null,
  unique (account_id, file_id)
);

create table share (
  id uuid primary key,
  version integer not null,
  account_id uuid not null references account,
  document_id uuid not null references document,
  file_id uuid not null references person_file,
  shared_by text not null,
  shared_at timestamptz not null,
  withdrawn_at timestamptz
);
create unique index share_once on share (account_id, document_id) where withdrawn_at is null;

create table ask (
  id uuid primary key,
  version integer not null,
  file_id uuid not null references person_file,
  checklist text not null,
  requirement text not null,
  words text,
  asked_by text not null,
  asked_at timestamptz not null
);
create index ask_file on ask (file_id);
