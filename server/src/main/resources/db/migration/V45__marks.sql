-- Who may see and make marks on pages, and give out copies with open covers.
alter table account add column marking text not null default 'NOTHING'
    check (marking in ('NOTHING', 'SEES', 'MAKES', 'OPENS_COVERS'));
update account set marking = case
    when role = 'ADMINISTRATOR' then 'OPENS_COVERS'
    when role = 'COLLEAGUE' and may_change then 'MAKES'
    when role = 'COLLEAGUE' then 'SEES'
    else 'NOTHING' end;

-- What is put on the pages of papers, beside their bytes.
create table paper_mark (
  id uuid primary key,
  document_id uuid not null references document on delete cascade,
  changes integer not null,
  version integer not null check (version > 0),
  page integer not null check (page > 0),
  kind text not null check (kind in ('HIGHLIGHT', 'NOTE', 'STAMP', 'PEN', 'ARROW', 'COVER')),
  areas jsonb not null,
  lines jsonb not null,
  place_top integer not null,
  place_left integer not null,
  text text,
  reason text,
  carried_from integer,
  by_id uuid not null references account,
  by_name text not null,
  at timestamptz not null,
  changed_at timestamptz
);
create index paper_mark_document on paper_mark (document_id, version, page, place_top, place_left);

-- The practice's stamps, and why something is covered.
create table mark_choices (
  id smallint primary key check (id = 1),
  changes integer not null,
  stamps text[] not null,
  reasons text[] not null
);
insert into mark_choices values (1, 0,
    array['Received {date}, {initials}', 'Copy', 'Checked by {name}, {date}'],
    array['third person', 'birth date', 'health', 'account details']);

-- Which copy with closed covers was made of which bytes, by the covers.
create table covered_copy (
  sha256 text not null references content,
  covers_sha256 text not null,
  copy_sha256 text not null references content,
  primary key (sha256, covers_sha256)
);
create index covered_copy_copy on covered_copy (copy_sha256);

-- Copies that leave the house: who got which, and what was covered in it. Those that were only looked at are removed.
create sequence leaving_copy_number;
create table leaving_copy (
  id uuid primary key,
  number bigint not null unique,
  document_id uuid not null references document on delete cascade,
  version integer not null,
  sha256 text not null references content,
  pages integer not null,
  reader text not null,
  reader_kind text not null check (reader_kind in ('PERSON', 'AROUND', 'COLLEAGUE', 'OTHER')),
  covered integer not null,
  opened boolean not null,
  reasons text[] not null,
  still_readable text[] not null,
  covers_sha256 text not null,
  marks boolean not null,
  foot text,
  by_id uuid not null references account,
  by_name text not null,
  drafted_at timestamptz not null,
  given_at timestamptz,
  way text check (way in ('DOWNLOAD', 'PRINT'))
);
create index leaving_copy_document on leaving_copy (document_id);
create index leaving_copy_content on leaving_copy (sha256);

-- Papers of a file that are given together, in an order of their own.
create table bundle (
  id uuid primary key,
  file_id uuid not null references person_file on delete cascade,
  changes integer not null,
  name text not null,
  documents uuid[] not null,
  by_name text not null,
  made_at timestamptz not null,
  given_at timestamptz
);
create index bundle_file on bundle (file_id);
