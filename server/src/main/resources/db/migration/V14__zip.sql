-- where what a job made can be fetched
alter table job add column link text;

create table zip_request (
  id uuid primary key,
  account_id uuid not null references account,
  documents uuid[] not null,
  made_at timestamptz
);
