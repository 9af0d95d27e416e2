-- What letters of a sort are written by; its words stand in its versions.
create table letter_model (
  id uuid primary key,
  changes integer not null,
  name text not null,
  type text not null references document_type,
  kinds text[] not null,
  retired_at timestamptz
);

-- One is never changed once a letter was written by it.
create table letter_model_version (
  id uuid primary key,
  model_id uuid not null references letter_model,
  number integer not null,
  language text not null,
  holds_from date not null,
  words jsonb not null,
  made_by text not null,
  made_at timestamptz not null,
  unique (model_id, number)
);

-- The same letter for many: written together, corrected and filed each.
create table letter_batch (
  id uuid primary key,
  version_id uuid not null references letter_model_version,
  effective_on date not null,
  by_name text not null,
  begun_at timestamptz not null,
  filed_by uuid references account
);

-- A letter that is written; once it is filed, how the paper came to be.
create table letter (
  id uuid primary key,
  changes integer not null,
  file_id uuid not null references person_file,
  version_id uuid not null references letter_model_version,
  batch_id uuid references letter_batch,
  effective_on date not null,
  writing jsonb not null,
  writer_id uuid not null references account,
  by_name text not null,
  changed_at timestamptz not null,
  preview_sha256 text references content,
  preview_of text,
  document_id uuid references document on delete cascade,
  filed_at timestamptz
);
create index letter_file on letter (file_id);
create index letter_version on letter (version_id);
create index letter_batch_letters on letter (batch_id);
create index letter_writer on letter (writer_id);
create index letter_preview on letter (preview_sha256);
create index letter_document on letter (document_id);
