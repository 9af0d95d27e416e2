-- A span open at both ends reads as nothing at all unless something in its row is never null.
alter table active_span add column has_start boolean not null generated always as (from_day is not null) stored;
