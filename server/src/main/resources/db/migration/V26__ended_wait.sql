-- the placeholder whose waiting ended when this paper was filed, so that it waits again when the filing is taken back
alter table document add column ended_wait uuid references document on delete set null;
