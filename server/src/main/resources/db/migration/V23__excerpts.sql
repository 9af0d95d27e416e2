-- text picked from papers to be used again in letters
create table excerpt (
  id uuid primary key,
  document_id uuid not null references document on delete cascade,
  version integer not null,
  page integer not null,
  words text not null,
  note text,
  by_id uuid not null references account,
  by_name text not null,
  at timestamptz not null
);
create index excerpt_document on excerpt (document_id);
