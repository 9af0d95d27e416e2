-- what the virus scanner found in the bytes; null when nothing, or when there was none to ask
alter table content add column virus text;

-- fields of types, what was filled into forms, and the values documents carry
alter table document_type add column fields jsonb not null default '[]';
alter table paper_page add column form jsonb;
alter table document add column fields jsonb not null default '{}';
