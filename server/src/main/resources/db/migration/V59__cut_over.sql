-- What both sides had open on the day on which a route begins: the last comparison of each.
create table cut_over (
    id        bigint generated always as identity primary key,
    route_id  bigint not null unique references route,
    ledger_id bigint not null references ledger,
    day       date not null,
    made_at   timestamptz not null,
    made_by   text not null,
    -- by account, debits positive, in the ledger's currency
    balances  jsonb not null,
    -- of the ledger's documents, those that could not be understood
    set_aside int not null
);
create table cut_over_there (
    cut_over_id bigint not null references cut_over on delete cascade,
    ledger_ref  text not null,
    record      jsonb not null,
    currency    text not null,
    open        numeric not null,
    base_open   numeric not null,
    primary key (cut_over_id, ledger_ref)
);
-- Pairs that did not come about by sending: both sides had the document before.
alter table link add column taken_over boolean not null default false;
