-- One run of a route: both sides are fetched, and what goes by itself goes. What came of it is on the trail, between two
-- of its rows, and in the batches that it made.
create table run (
    id          bigint generated always as identity primary key,
    route_id    bigint not null references route,
    origin      text not null check (origin in ('hand', 'schedule')),
    who         text not null,
    planned_at  timestamptz,
    missed      int not null default 0,
    resumed     int not null default 0,
    started_at  timestamptz not null,
    finished_at timestamptz,
    state       text not null default 'running' check (state in ('running', 'done', 'failed')),
    trail_from  bigint not null,
    trail_to    bigint,
    sentence    text not null default '',
    problem     jsonb
);
create index on run (route_id, id);
create index run_running on run (id) where state = 'running';

-- When a route runs by itself; the first date and time are those on the wall where the business is.
create table run_schedule (
    route_id      bigint primary key references route,
    first_at      timestamp not null,
    every_minutes int not null,
    days          text[] not null,
    planned_at    timestamptz,
    next_at       timestamptz,
    version       int not null,
    set_by        text not null,
    set_at        timestamptz not null
);

-- Hours in which a system wants to be left alone.
create table quiet_window (
    id        bigint generated always as identity primary key,
    ledger_id bigint references ledger on delete cascade,
    source_id bigint references source on delete cascade,
    days      text[] not null,
    from_time time not null,
    until     time not null,
    check ((ledger_id is null) <> (source_id is null))
);
