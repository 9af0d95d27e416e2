-- who filed, discarded, split or joined a paper that waited, and when; one filing of several papers has one moment
alter table arrival
  add column handled_by_id uuid,
  add column handled_by text,
  add column handled_at timestamptz;
create index arrival_handled on arrival (handled_by_id, handled_at) where state = 'FILED';

-- how the practice writes days, and with which day its week begins (ISO 8601: 1 is Monday)
alter table practice
  add column day_order text not null default 'DAY_FIRST' check (day_order in ('DAY_FIRST', 'MONTH_FIRST')),
  add column week_start smallint not null default 1 check (week_start between 1 and 7);

-- a signature that somebody saw on the paper itself
alter table document_signature add column seen_by text;

-- who is to review a paper instead of those its types name
alter table document add column reviewer uuid references account;
alter table findable add column reviewer uuid;

-- every word of letters that some paper holds, to tell what was meant by a mistyped one
create table find_word (word text primary key);
insert into find_word (word)
  select distinct w from paper_page p, unnest(tsvector_to_array(to_tsvector('denfold_plain', p.text))) w
  where length(w) between 4 and 40 and w !~ '[0-9]';
create index find_word_near on find_word using gin (word gin_trgm_ops);
