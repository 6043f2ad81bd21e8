-- Lists of bookkeepers, byte for byte, with what was understood of them: a batch keeps the one that it was compared with.
create table own_list (
    id        bigint generated always as identity primary key,
    route_id  bigint not null references route,
    made_by   text not null,
    made_at   timestamptz not null,
    file_name text not null,
    sha256    bytea not null,
    content   bytea not null,
    currency  text not null,
    -- rows as {row, number, amount}, the amount in minor units
    entries   jsonb not null
);
create index own_list_made on own_list (made_at);
alter table batch add column own_list_id bigint references own_list;
create index batch_own_list on batch (own_list_id) where own_list_id is not null;
