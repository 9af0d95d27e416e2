-- what the virus scanner found in the bytes; null when nothing, or when there was none to ask
alter table content add column virus text;
