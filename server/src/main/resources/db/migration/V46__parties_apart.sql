-- Two parties of one side of which somebody said that they are two, however alike they are.
create table party_apart (
    source_id bigint references source,
    ledger_id bigint references ledger,
    one       text not null,
    other     text not null,
    said_by   text not null,
    said_at   timestamptz not null,
    check (num_nonnulls(source_id, ledger_id) = 1)
);
create unique index party_apart_of_source on party_apart (source_id, one, other) where source_id is not null;
create unique index party_apart_of_ledger on party_apart (ledger_id, one, other) where ledger_id is not null;
