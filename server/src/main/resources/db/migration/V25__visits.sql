-- days on which a person was or will be here
create table visit (
  id uuid primary key,
  file_id uuid not null references person_file,
  day date not null,
  words text,
  by_name text not null
);
create index visit_file on visit (file_id, day);
