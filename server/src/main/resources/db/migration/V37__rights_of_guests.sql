-- What a guest may do in a file, by section and until a day; what he put away; what the practice lets its people do in their own file.
alter table guest_right add deeds text[] not null default '{}', add shown_until date;
update guest_right set deeds = case when may_add then '{ADD,REMOVE}'::text[] else '{}'::text[] end;
alter table guest_right drop column may_add;

create table guest_section_right (
  right_id uuid not null references guest_right (id) on delete cascade,
  section text not null references section (code),
  deeds text[] not null,
  primary key (right_id, section)
);

create table put_away (
  account_id uuid not null references account (id),
  document_id uuid not null references document (id) on delete cascade,
  at timestamptz not null,
  primary key (account_id, document_id)
);

alter table practice add own_file_deeds text[] not null default '{SEE,ADD,REMOVE,SIGN}';

create table message (
  id uuid primary key,
  file_id uuid not null references person_file (id),
  guest_id uuid not null references account (id),
  from_guest boolean not null,
  by_name text not null,
  words text not null,
  papers uuid[] not null default '{}',
  at timestamptz not null,
  read_at timestamptz
);
create index on message (file_id, guest_id, at);
create index on message (guest_id, at);
