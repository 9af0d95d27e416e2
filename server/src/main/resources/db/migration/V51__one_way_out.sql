-- The very copy that a guest sees; null where they see the paper with its covers closed.
alter table share add column copy_id uuid references leaving_copy on delete set null;
create index share_copy on share (copy_id);

alter table leaving_copy drop constraint leaving_copy_way_check;
alter table leaving_copy add constraint leaving_copy_way_check check (way in ('DOWNLOAD', 'PRINT', 'MAIL', 'PORTAL'));

-- Papers that were found together may lie in several files.
alter table bundle alter column file_id drop not null;
create index bundle_documents on bundle using gin (documents);
