-- with whom papers of a type wait for review; nobody means anyone
alter table document_type add column reviewer uuid references account;
