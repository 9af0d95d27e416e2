-- what colleagues say to each other about a paper, and whom they mention
create table comment (
  id uuid primary key,
  document_id uuid not null references document on delete cascade,
  by_id uuid not null references account,
  by_name text not null,
  at timestamptz not null,
  words text not null
);
create index comment_document on comment (document_id, at);

create table comment_mention (
  comment_id uuid not null references comment on delete cascade,
  account_id uuid not null references account,
  seen_at timestamptz,
  primary key (comment_id, account_id)
);
create index comment_mention_unseen on comment_mention (account_id) where seen_at is null;
