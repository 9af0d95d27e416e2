-- Kinds whose files are about the practice or its places, and sections that only such files have.
alter table person_kind add column subject text not null default 'PERSON' check (subject in ('PERSON', 'PRACTICE'));
alter table section add column subject text check (subject in ('PERSON', 'PRACTICE'));
