-- Running numbers of pages. A series is all numbers with the same letters before them; its row is held while some are taken.
create table number_series (
  series text primary key,
  next bigint not null check (next > 0)
);

-- Numbers that were given together.
create table number_set (
  id uuid primary key,
  series text not null references number_series,
  prefix text not null,
  digits integer not null,
  first bigint not null,
  last bigint not null check (last >= first),
  place text not null check (place in
    ('BOTTOM_RIGHT', 'BOTTOM_MIDDLE', 'BOTTOM_LEFT', 'TOP_RIGHT', 'TOP_MIDDLE', 'TOP_LEFT')),
  size real not null,
  job_id uuid not null,
  by_id uuid not null references account,
  by_name text not null,
  at timestamptz not null
);
create index number_set_series on number_set (series, first);

-- Which numbers the pages of a paper have. Those of a paper that was destroyed are never given again.
create table numbered_paper (
  id uuid primary key,
  set_id uuid not null references number_set,
  place integer not null,
  document_id uuid references document on delete set null,
  version integer not null,
  source_sha256 text,
  pages integer not null check (pages > 0),
  first bigint not null,
  copy_sha256 text references content,
  failure text,
  unique (set_id, place)
);
create index numbered_paper_document on numbered_paper (document_id);
create index numbered_paper_copy on numbered_paper (copy_sha256);
