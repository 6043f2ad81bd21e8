-- Everything since a day, sent in the background batch by batch.
create table history_load (
    id         bigint generated always as identity primary key,
    route_id   bigint not null references route,
    since      date not null,
    -- records
    per_minute int not null check (per_minute between 10 and 6000),
    state      text not null default 'RUNNING' check (state in ('RUNNING', 'STOPPED', 'DONE')),
    -- why it stopped, or was ended before all of it was sent; empty when neither
    reason     text not null default '',
    made_by    text not null,
    made_at    timestamptz not null,
    ended_at   timestamptz,
    -- how many were ready when it began
    planned    int not null,
    -- Behind which record it is: family, side and currency, then day and number. What it passed it does not come back to.
    at_phase   text not null default '',
    at_day     date not null default '0001-01-01',
    at_id      bigint not null default 0,
    -- The batch whose failures somebody went on over.
    heeded     bigint not null default 0,
    version    int not null default 1
);
-- One at a time on a route.
create unique index history_load_open on history_load (route_id) where state <> 'DONE';
create table history_load_batch (
    load_id  bigint not null references history_load,
    batch_id bigint primary key references batch
);
create index on history_load_batch (load_id, batch_id);
