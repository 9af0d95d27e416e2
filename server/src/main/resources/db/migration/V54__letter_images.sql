-- A picture in models of letters, drawn anew so that nothing but the picture is kept.
create table letter_image (
  id uuid primary key,
  name text not null,
  sha256 text not null references content,
  width integer not null,
  height integer not null,
  added_by text not null,
  added_at timestamptz not null
);
create index letter_image_content on letter_image (sha256);
