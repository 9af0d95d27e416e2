-- the teams of the practice; files name theirs by its name
create table team (
  name text primary key,
  version integer not null,
  size text not null check (size in ('TEAM', 'DEPARTMENT', 'AREA')),
  within text references team deferrable initially deferred
);
insert into team (name, version, size)
  select name, 0, 'TEAM' from (
    select team as name from person_file where team is not null
    union select team from account where team is not null) as known;

-- whose files an account sees, what of them, and what its holder is in the practice
alter table account add column reach text not null default 'EVERYBODY';
update account set reach = 'TEAM' where team is not null;
alter table account alter column reach drop default;
alter table account add constraint account_reach
  check (reach in ('EVERYBODY', 'AREA', 'DEPARTMENT', 'TEAM', 'OWN_PEOPLE'));
alter table account add column leads varchar[] not null default '{}';
alter table account add column sees_sections varchar[] not null default '{}';
alter table account add column own_file uuid;
alter table account add column signs_as text;
alter table account add column desk text;
alter table account add column deputy uuid references account;
alter table account add column deputy_from date;
alter table account add column deputy_until date;

-- all types of a sensitive section are sensitive
alter table section add column sensitive boolean not null default false;

-- programs have accounts too, without an address; each is let in by its key
alter table account drop constraint account_role_check;
alter table account add constraint account_role_check
  check (role in ('ADMINISTRATOR', 'COLLEAGUE', 'GUEST', 'PROGRAM'));
alter table account alter column email drop not null;

create table program_key (
  account_id uuid primary key references account,
  version integer not null,
  secret_hash text not null unique,
  scopes varchar[] not null,
  until date,
  made_by text not null,
  made_at timestamptz not null,
  used_at timestamptz
);

-- whose supervisor, therapist or the like somebody is
create index fact_value on fact (value);
