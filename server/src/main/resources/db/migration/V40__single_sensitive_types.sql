-- Single types of which an account sees the sensitive papers, beside whole sections.
alter table account add column sees_types varchar[] not null default '{}';
