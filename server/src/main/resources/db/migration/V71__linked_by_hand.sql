-- What a record stood for on a ledger until somebody took the two apart, as both were then: neither is matched again by itself.
create table apart (
    record_id  bigint not null references record,
    ledger_id  bigint not null references ledger,
    ledger_ref text not null,
    link       jsonb not null,
    stood      jsonb not null,
    who        text not null,
    at         timestamptz not null,
    primary key (record_id, ledger_id, ledger_ref)
);
create index apart_there on apart (ledger_id, ledger_ref);
-- A run is of all of its route, of what is decided together, or of single records.
alter table run add column carried text, add column records bigint[];
-- Whether something came of it; of those before nobody said.
alter table run add column news boolean not null default true;
