-- bytes that were destroyed for good; that they were here, and their hash, stays known
alter table content add column destroyed_at timestamptz;
