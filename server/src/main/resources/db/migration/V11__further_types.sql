-- what else a paper is, besides its type
alter table document add column further_types varchar[] not null default '{}';
