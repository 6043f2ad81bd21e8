-- A route that has ended leads nothing any more. What crossed by it stays with it, and its crosswalk and settings wait
-- for its being begun again.
alter table route
    add column ended_at timestamptz,
    add column leads boolean generated always as (ledger_id is not null and ended_at is null) stored;
drop index route_of_site;
create unique index route_of_site on route (source_id, site) where leads;
