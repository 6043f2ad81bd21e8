-- The last judgement of each route, so that the road can say what waits at Connect without asking the ledger.
create table readiness (
    route_id bigint primary key references route,
    ran_at   timestamptz not null,
    warns    int not null,
    blocks   int not null
);
