-- A mail that the server had taken, and that came back.
alter table notice add column came_back boolean not null default false;

-- Copies that were sent by mail: attached, or behind a link that needs a code and ends.
create table copy_mail (
  id uuid primary key,
  changes integer not null,
  file_id uuid not null references person_file on delete cascade,
  reader text not null,
  address text not null,
  attached boolean not null,
  title text,
  ends_on date,
  ended_at timestamptz,
  notice_id uuid not null unique,
  first_opened_at timestamptz,
  last_opened_at timestamptz,
  by_id uuid not null references account,
  by_name text not null,
  at timestamptz not null,
  check (attached = (ends_on is null))
);
create index copy_mail_file on copy_mail (file_id);

create table copy_link (
  id uuid primary key,
  version integer not null,
  mail_id uuid not null references copy_mail on delete cascade,
  token_hash text not null unique,
  issued_at timestamptz not null,
  code_hash text,
  code_sent_at timestamptz,
  wrong_codes integer not null,
  key_hash text,
  key_until timestamptz
);
create index copy_link_mail on copy_link (mail_id);

alter table leaving_copy add column mail_id uuid references copy_mail on delete set null;
create index leaving_copy_mail on leaving_copy (mail_id);
alter table leaving_copy drop constraint leaving_copy_way_check;
alter table leaving_copy add constraint leaving_copy_way_check check (way in ('DOWNLOAD', 'PRINT', 'MAIL'));
