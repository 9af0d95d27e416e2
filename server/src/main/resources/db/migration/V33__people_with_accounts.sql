-- an account can rest for a while: its holder cannot sign in, and nothing of it is lost
alter table account add column paused boolean not null default false;
