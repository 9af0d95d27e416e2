-- Where the pages of a version come from that was made of pages that were there.
alter table document_version add column pages jsonb;
