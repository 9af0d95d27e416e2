-- office files as pages, made when first read so
create table office_pages (
  sha256 text primary key references content,
  copy_sha256 text not null references content
);

-- other numbers of a person are found as they are written too
update person_file set search_text = search_text || ' '
  || (select string_agg(lower(i), ' ') from jsonb_array_elements_text(identifiers) i)
  where jsonb_array_length(identifiers) > 0;
