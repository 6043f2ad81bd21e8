-- What checks of a route found when it was last judged, and since when each has found something; those that passed have
-- no row.
create table readiness_result (
    route_id bigint not null references route, name text not null, verdict text not null, subjects text[] not null,
    proposal text not null, documents int not null, amount bigint not null, currency text not null,
    since timestamptz not null, primary key (route_id, name)
);
-- Faults that were made to happen to practise on, with what each befell; when its cause was first seen to be named, and
-- when it was first seen to be gone again.
create table practice (
    id bigint generated always as identity primary key, route_id bigint not null references route, fault text not null,
    subject text not null, by text not null, begun_at timestamptz not null,
    named_at timestamptz, righted_at timestamptz, given_up_at timestamptz
);
create index practice_open on practice (route_id) where righted_at is null and given_up_at is null;
-- Payments that look as if one was entered on both sides, and are two, as somebody said.
create table payment_apart (
    ours bigint not null references record, theirs bigint not null references record, primary key (ours, theirs)
);
-- By which a source's feed is told from one that began again from nothing; empty where it tells none.
alter table source add column feed_begun text not null default '';
