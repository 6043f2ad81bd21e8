-- What is decided about a route; a setting without a row holds its standard value.
create table route_setting (
    route_id bigint not null references route,
    setting  text not null,
    value    text not null,
    version  int not null,
    set_by   text not null,
    set_at   timestamptz not null,
    primary key (route_id, setting)
);
-- Every value a setting ever had.
create table route_setting_history (
    id       bigint generated always as identity primary key,
    route_id bigint not null references route,
    setting  text not null,
    value    text not null,
    version  int not null,
    set_by   text not null,
    set_at   timestamptz not null
);
create index on route_setting_history (route_id, setting, id);
