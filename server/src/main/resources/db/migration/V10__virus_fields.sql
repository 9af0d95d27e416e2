-- what the virus scanner found in the bytes; null when nothing, or when there was none to ask
alter table content add column virus text;

-- fields of types, what was filled into forms, and the values documents carry
alter table document_type add column fields jsonb not null default '[]';
alter table paper_page add column form jsonb;
alter table document add column fields jsonb not null default '{}';

-- copies for the archive, made when first asked for
create table archive_copy (
  sha256 text primary key references content,
  copy_sha256 text not null references content,
  made text not null check (made in ('FROM_ITS_PAGES', 'AS_PICTURES'))
);

-- by what a person's papers are known besides the present name
alter table person_file add column former_names jsonb not null default '[]';
alter table person_file add column identifiers jsonb not null default '[]';
