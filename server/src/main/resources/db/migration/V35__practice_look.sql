-- What the practice looks like to those who meet it, and how long its people stay signed in.
alter table practice
  add address text not null default '',
  add languages text[] not null default '{en}',
  add mail_from text,
  add reply_to text,
  add mark bytea,
  add mark_sha256 text,
  add session_idle_minutes integer not null default 480,
  add session_most_hours integer not null default 24;
