-- How many copies were checked lately from one address of the network, which is kept as a hash only and for a day.
create table copy_check (
  address_hash text primary key,
  since timestamptz not null,
  checks integer not null
);
