-- papers that are tracked before there is anything of them
alter table document add column awaited boolean not null default false;
