create extension if not exists pg_trgm;

create table practice (
  id smallint primary key check (id = 1),
  name text not null,
  zone text not null,
  colour text not null
);

create table account (
  id uuid primary key,
  version integer not null,
  email text not null unique,
  name text not null,
  role text not null check (role in ('ADMINISTRATOR', 'COLLEAGUE', 'GUEST')),
  password_hash text,
  team text,
  sees_sensitive boolean not null,
  may_change boolean not null,
  closed boolean not null,
  created_at timestamptz not null,
  visited_at timestamptz,
  previous_visit_at timestamptz
);

create table sign_in_failure (
  id uuid primary key,
  version integer not null,
  email text not null,
  address text not null,
  at timestamptz not null
);
create index sign_in_failure_recent on sign_in_failure (at, email, address);

create table one_time_link (
  id uuid primary key,
  version integer not null,
  account_id uuid not null references account,
  token_hash text not null unique,
  issued_at timestamptz not null,
  expires_at timestamptz not null,
  used_at timestamptz
);

create table spring_session (
  primary_id char(36) not null primary key,
  session_id char(36) not null unique,
  creation_time bigint not null,
  last_access_time bigint not null,
  max_inactive_interval int not null,
  expiry_time bigint not null,
  principal_name varchar(100)
);
create index spring_session_expiry on spring_session (expiry_time);
create index spring_session_principal on spring_session (principal_name);

create table spring_session_attributes (
  session_primary_id char(36) not null references spring_session (primary_id) on delete cascade,
  attribute_name varchar(200) not null,
  attribute_bytes bytea not null,
  primary key (session_primary_id, attribute_name)
);
