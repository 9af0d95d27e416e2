-- A PDF form of others that models fill in; what its fields are filled with stands in the versions of the models.
create table letter_form (
  id uuid primary key,
  name text not null,
  sha256 text not null references content,
  pages integer not null,
  fields jsonb not null,
  added_by text not null,
  added_at timestamptz not null
);
create index letter_form_content on letter_form (sha256);
