-- What usually goes with a copy, by what its reader is to the person. Covers are always closed.
create table usual_copy (
  reader_kind text primary key check (reader_kind in ('PERSON', 'AROUND', 'COLLEAGUE', 'OTHER')),
  marks boolean not null,
  foot boolean not null
);
insert into usual_copy values ('PERSON', false, true), ('AROUND', false, true), ('COLLEAGUE', true, false), ('OTHER', false, true);
