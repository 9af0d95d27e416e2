-- Requests for signatures: who signs which papers, in which order and where. Signing at a desk is one of them.
create table signature_request (
  id uuid primary key,
  version integer not null,
  state text not null check (state in ('OPEN', 'COMPLETE', 'DECLINED', 'SENT_BACK', 'WITHDRAWN', 'EXPIRED', 'REPLACED')),
  at_desk boolean not null,
  asked_by_id uuid references account (id),
  asked_by text not null,
  asked_at timestamptz not null,
  message text,
  due_on date,
  ends_at_due boolean not null,
  remind_every_days integer not null,
  remind_most integer not null,
  may_pass_on boolean not null,
  ended_at timestamptz,
  ended_by text,
  end_reason text,
  replaced_by uuid references signature_request (id),
  check ((state = 'OPEN') = (ended_at is null))
);
create index signature_request_open on signature_request (asked_at) where state = 'OPEN';
create index signature_request_by on signature_request (asked_by_id, asked_at);

create table signature_paper (
  request_id uuid not null references signature_request (id),
  place integer not null,
  document_id uuid not null references document (id),
  source_sha256 text not null references content (sha256),
  waits boolean not null,
  sealed boolean not null,
  primary key (request_id, place)
);
create unique index signature_paper_waits_once on signature_paper (document_id) where waits;
create index signature_paper_document on signature_paper (document_id);

create table signature_turn (
  id uuid primary key,
  version integer not null,
  request_id uuid not null references signature_request (id),
  place integer not null,
  step integer not null,
  task text not null check (task in ('APPROVE', 'SIGN')),
  role text not null,
  role_label text not null,
  account_id uuid references account (id),
  name text not null,
  address text,
  outcome text not null check (outcome in ('OPEN', 'DONE', 'DECLINED', 'SENT_BACK', 'TO_CONFIRM')),
  done_at timestamptz,
  done_by_id uuid references account (id),
  done_for text,
  known_by text check (known_by in ('AT_DESK', 'OWN_PASSWORD', 'ACCOUNT', 'SECOND_FACTOR', 'LINK_AND_CODE', 'ON_PAPER')),
  session_of text,
  known_address text,
  reason text,
  method text check (method in ('PEN', 'TYPED', 'PAPER')),
  mark jsonb,
  told_at timestamptz,
  opened_at timestamptz,
  reminders integer not null,
  reminded_at timestamptz,
  passed_on_by text,
  scan_sha256 text references content (sha256),
  scan_words text
);
create index signature_turn_request on signature_turn (request_id);
create index signature_turn_account on signature_turn (account_id) where outcome = 'OPEN';
create index signature_turn_address on signature_turn (lower(address)) where outcome = 'OPEN';

create table signature_field (
  request_id uuid not null references signature_request (id),
  place integer not null,
  document_id uuid not null references document (id),
  turn_id uuid not null,
  kind text not null check (kind in ('SIGNATURE', 'INITIALS', 'DATE', 'NAME', 'TEXT', 'TICK')),
  page integer not null,
  left_part double precision not null,
  top_part double precision not null,
  width_part double precision not null,
  height_part double precision,
  required boolean not null,
  label text,
  value text,
  primary key (request_id, place)
);

-- Pages that were shown to whoever's turn it is; what was not shown cannot be signed.
create table signature_shown (
  turn_id uuid not null references signature_turn (id) on delete cascade,
  document_id uuid not null references document (id),
  page integer not null,
  shown_at timestamptz not null,
  primary key (turn_id, document_id, page)
);

create table signature_question (
  id uuid primary key,
  request_id uuid not null references signature_request (id),
  turn_id uuid not null references signature_turn (id),
  asked_by text not null,
  asked_at timestamptz not null,
  question text not null,
  answer text,
  answered_by text,
  answered_at timestamptz
);
create index signature_question_request on signature_question (request_id);

-- Links by which somebody without an account comes to his turn; only hashes of their secrets are kept.
create table signature_link (
  id uuid primary key,
  version integer not null,
  turn_id uuid not null references signature_turn (id) on delete cascade,
  token_hash text not null unique,
  issued_at timestamptz not null,
  code_hash text,
  code_sent_at timestamptz,
  wrong_codes integer not null,
  key_hash text,
  key_until timestamptz
);
create index signature_link_turn on signature_link (turn_id);

insert into signature_request (id, version, state, at_desk, asked_by, asked_at, ends_at_due, remind_every_days, remind_most,
  may_pass_on, ended_at, ended_by)
select id, version, state, true, started_by, started_at, false, 0, 0, false,
  case when state = 'OPEN' then null else coalesce(finished_at, started_at) end, ended_by
from desk_signing;
insert into signature_paper (request_id, place, document_id, source_sha256, waits, sealed)
select id, 0, document_id, source_sha256, state = 'OPEN', sealed from desk_signing;
create temporary table moved_step as
select gen_random_uuid() as turn_id, s.*, d.document_id, d.started_by
from desk_signing_step s join desk_signing d on d.id = s.signing_id;
insert into signature_turn (id, version, request_id, place, step, task, role, role_label, name, outcome, done_at, known_by,
  session_of, method, mark, reminders)
select turn_id, 0, signing_id, place, place, 'SIGN', role, role_label, signer,
  case when signed_at is null then 'OPEN' else 'DONE' end, signed_at,
  case when signed_at is null then null else 'AT_DESK' end,
  case when signed_at is null then null else started_by end, method, mark, 0
from moved_step;
insert into signature_field (request_id, place, document_id, turn_id, kind, page, left_part, top_part, width_part, required)
select signing_id, place, document_id, turn_id, 'SIGNATURE', page, left_part, top_part, 0.28, true from moved_step;
drop table moved_step;
drop table desk_signing_step;
drop table desk_signing;
alter table practice add column confirm_signing boolean not null default false;

-- Where signers of papers of a type sign, kept from the last time fields were placed on one with as many pages.
create table signature_layout (
  id uuid primary key,
  document_type text not null,
  pages integer not null,
  fields jsonb not null,
  unique (document_type, pages)
);
