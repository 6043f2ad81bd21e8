create table crosswalk_row (
    route_id    bigint not null references route,
    kind        text not null,
    code        text not null,
    counterpart text not null default '',
    account     text not null default '',
    version     int not null,
    set_by      text not null,
    set_at      timestamptz not null,
    primary key (route_id, kind, code)
);
-- Every state a row ever had; a removed row leaves one with removed = true.
create table crosswalk_history (
    id          bigint generated always as identity primary key,
    route_id    bigint not null references route,
    kind        text not null,
    code        text not null,
    counterpart text not null,
    account     text not null,
    version     int not null,
    set_by      text not null,
    set_at      timestamptz not null,
    removed     boolean not null
);
create index on crosswalk_history (route_id, kind, code, version);
