-- when an account last viewed a document or a file, so that views side by side are one row of the trail
create table last_view (
  account_id uuid not null references account on delete cascade,
  viewed_id uuid not null,
  at timestamptz not null,
  primary key (account_id, viewed_id)
);
drop index audit_event_document;
create index audit_event_document on audit_event (document_id, seq);
alter table audit_event add column keyed boolean not null default false;

-- stored bytes that are missing or no longer what was taken in
create table content_damage (
  sha256 text primary key references content,
  found_at timestamptz not null,
  words text not null
);

-- readers hold their papers for some seconds; those whose reader was ended are tried again after a pause
alter table paper_reading add column losses integer not null default 0;
alter table paper_reading add column not_before timestamptz;
alter table paper_reading add column held_until timestamptz;
alter table paper_reading add column held_by uuid;

alter table arrival add column cover_type text;
update arrival set cover_type = substring(cover from 'type=([a-z0-9-]+)') where cover is not null;

-- files of pickups that were taken, by what tells a file from every other; the row goes when the file leaves "taken"
create table pickup_taken (
  desk text not null,
  inode bigint not null,
  modified bigint not null,
  size bigint not null,
  file_name text not null,
  arrival_id uuid not null references arrival deferrable initially deferred,
  moved_as text,
  taken_at timestamptz not null,
  primary key (desk, inode, modified, size)
);
alter table pickup_desk add column pause_seconds integer not null default 2;

-- a signing that has ended and whose sealed copy is yet to be made
alter table desk_signing add column sealed boolean not null default true;
alter table desk_signing add column ended_by text;

-- what was decided on versions before other bytes took their place
alter table document add column current_since date;
alter table document add column superseded jsonb not null default '[]';

-- attempts to sign in, by account and address together; and where an account came in before
drop table sign_in_failure;
create table sign_in_attempts (
  email text not null,
  address text not null,
  failures integer not null,
  last_at timestamptz not null,
  not_before timestamptz not null,
  primary key (email, address)
);
create index sign_in_attempts_age on sign_in_attempts (last_at);
create table sign_in_place (
  email text not null,
  address text not null,
  at timestamptz not null,
  primary key (email, address)
);
delete from spring_session;

-- an ask is for one guest; an older one that was for all is for nobody unless there is only one
alter table ask add column account_id uuid references account;
alter table ask add column withdrawn_at timestamptz;
alter table ask add column withdrawn_by text;
update ask set account_id = (select min(account_id::text)::uuid from guest_right g where g.file_id = ask.file_id)
where (select count(*) from guest_right g where g.file_id = ask.file_id) = 1;

-- mail is claimed before it is sent, and tried again after growing pauses
alter table notice drop constraint notice_state_check;
alter table notice add constraint notice_state_check check (state in ('QUEUED', 'SENDING', 'SENT', 'FAILED'));
alter table notice add column document_id uuid;
alter table notice add column types varchar[] not null default '{}';
alter table notice add column not_before timestamptz;
alter table notice add column claimed_at timestamptz;
alter table notice add column queued_by_id uuid;
create index notice_waiting on notice (queued_at) where state <> 'SENT';
-- who wrote older notices, and of which papers they tell, is no longer known: they are for those who see everything
update notice set types = (select coalesce(array_agg(code), '{}') from document_type where sensitive)
where purpose in ('chase', 'comment', 'hand-over');

-- of which document types a row of the trail tells; null in older rows
alter table audit_event add column types varchar[];

-- facts can be for few as well
update person_kind set facts = (
  select coalesce(jsonb_agg(f || '{"sensitive": false}'::jsonb order by n), '[]'::jsonb)
  from jsonb_array_elements(facts) with ordinality as e(f, n));

-- a change of what things are called does not change how slots stand
alter table rules_revision add column slots_revision bigint not null default 1;
update rules_revision set slots_revision = revision;

-- open slots are the blocking ones, which are counted already
alter table file_standing drop column open_slots;
