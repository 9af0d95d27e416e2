-- Words of notices, in each language they are written in.
create table notice_words (
  id uuid primary key,
  version integer not null,
  name text not null,
  texts jsonb not null
);
create unique index notice_words_name on notice_words (lower(name));

-- When people are told, who, and in which words.
create table notice_plan (
  id uuid primary key,
  version integer not null,
  name text not null,
  scope jsonb not null,
  steps jsonb not null,
  begins_on date not null,
  courtesy boolean not null,
  paused boolean not null,
  changed_by text not null,
  changed_at timestamptz not null
);
create unique index notice_plan_name on notice_plan (lower(name));

-- On which days and at which hours notices of plans go out.
create table sending_rules (
  only_one boolean primary key check (only_one),
  version integer not null,
  quiet_days varchar[] not null,
  holidays jsonb not null,
  opens time not null,
  closes time not null,
  most_monthly integer not null check (most_monthly >= 0),
  last_run_on date
);
insert into sending_rules values (true, 0, '{SATURDAY,SUNDAY}', '[]', '08:00', '18:00', 0, null);

-- Who was told what: a line for each thing, whether by a plan or by hand. One without a notice stands in Today.
create table told (
  id uuid primary key,
  plan_id uuid,
  plan_name text,
  step varchar,
  number integer,
  file_id uuid not null references person_file,
  checklist varchar,
  requirement varchar,
  document_id uuid references document on delete cascade,
  label text not null,
  types varchar[] not null,
  anchor date,
  recipient text not null,
  recipient_name text not null,
  why text not null,
  told_on date not null,
  notice_id uuid references notice,
  account_id uuid references account,
  came_back boolean not null default false,
  closed_at timestamptz,
  closed_by text
);
-- nobody is told the same twice, whatever breaks off and begins anew; what came back may be told again
create unique index told_once on told (plan_id, step, number, file_id, checklist, requirement, document_id, anchor, recipient)
  nulls not distinct where plan_id is not null and not came_back;
create index told_file on told (file_id);
create index told_notice on told (notice_id) where notice_id is not null;
create index told_task on told (account_id) where notice_id is null and closed_at is null;

-- What somebody decided about what a plan would tell: held, or moved to a day.
create table changed_turn (
  id uuid primary key,
  plan_id uuid not null,
  step varchar not null,
  number integer not null,
  file_id uuid not null references person_file,
  checklist varchar,
  requirement varchar,
  document_id uuid references document on delete cascade,
  anchor date not null,
  recipient text not null,
  moved_to date,
  by_name text not null,
  at timestamptz not null
);
create unique index changed_turn_once on changed_turn
  (plan_id, step, number, file_id, checklist, requirement, document_id, anchor, recipient) nulls not distinct;
create index changed_turn_file on changed_turn (file_id);

-- Files about which nobody is told for a while.
create table chase_stop (
  id uuid primary key,
  version integer not null,
  file_id uuid not null references person_file,
  reason text not null,
  until_day date,
  by_name text not null,
  at timestamptz not null,
  ended_by text,
  ended_at timestamptz
);
create index chase_stop_file on chase_stop (file_id);

-- Addresses at which nobody is chased: mails came back, or whoever reads them asked for no more.
create table silent_address (
  mailbox text not null,
  cause varchar not null check (cause in ('CAME_BACK', 'UNSUBSCRIBED')),
  since timestamptz not null,
  why text not null,
  notice_id uuid references notice,
  primary key (mailbox, cause)
);

-- What people wrote back without a paper.
create table mail_answer (
  id uuid primary key,
  version integer not null,
  file_id uuid not null references person_file,
  notice_id uuid not null references notice,
  sender text not null,
  origin text not null,
  words text not null,
  at timestamptz not null,
  seen_by text,
  seen_at timestamptz
);
create unique index mail_answer_once on mail_answer (origin, file_id);
create index mail_answer_file on mail_answer (file_id);
create index mail_answer_unseen on mail_answer (at) where seen_at is null;

alter table notice drop constraint notice_state_check;
alter table notice add constraint notice_state_check
  check (state in ('QUEUED', 'SENDING', 'SENT', 'FAILED', 'CANCELLED'));
alter table notice add column planned_on date;
alter table notice add column mailbox text;
alter table notice add column language varchar;
alter table notice add column link_hash text;
alter table notice add column secret text;
alter table notice add column courtesy boolean not null default false;
alter table notice add column thread_of uuid;
alter table notice add column delivered_at timestamptz;
alter table notice add column opened_at timestamptz;
alter table notice add column answered_at timestamptz;
alter table notice add column away_at timestamptz;
create unique index notice_link on notice (link_hash) where link_hash is not null;
-- plans write to nobody twice a day
create unique index notice_once_a_day on notice (mailbox, planned_on) where planned_on is not null;
create index notice_mailbox on notice (mailbox, queued_on) where mailbox is not null;
create index slot_chased on slot (status) where status not in ('ON_FILE', 'NOT_APPLICABLE', 'WAIVED', 'NOT_YET_DUE');
create index slot_due on slot (due) where status = 'NOT_YET_DUE';

-- Private addresses at which calendar programs read when papers run out and are due.
create table calendar_feed (
  id uuid primary key,
  account_id uuid not null references account,
  reach varchar not null check (reach in ('MINE', 'TEAM', 'FILE')),
  file_id uuid references person_file,
  team text,
  secret_hash text not null unique,
  at timestamptz not null,
  read_at timestamptz,
  ended_at timestamptz,
  check ((reach = 'FILE') = (file_id is not null)),
  check ((reach = 'TEAM') = (team is not null))
);
create index calendar_feed_account on calendar_feed (account_id) where ended_at is null;
create index calendar_feed_file on calendar_feed (file_id) where file_id is not null;

-- What each of them was told of a slot, so that an event moves, and is cancelled when it is met (RFC 5545, sequence).
create table calendar_entry (
  feed_id uuid not null references calendar_feed on delete cascade,
  uid text not null,
  day date not null,
  sequence integer not null,
  cancelled boolean not null,
  changed_at timestamptz not null,
  primary key (feed_id, uid)
);
