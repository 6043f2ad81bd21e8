-- An older state of this database was put back: whoever put it back says so here, and the server takes it up at its start.
create table if not exists restoration (at timestamptz not null, taken_up_at timestamptz);

-- Until then every document is asked for by its reference before it is sent; and whether the ledger was asked what it has
-- beyond us since the last restoration.
alter table ledger
    add column asks_first_until timestamptz,
    add column accounted boolean not null default true;

-- Documents that a ledger has under a reference of ours, and that we know nothing of having sent.
create table beyond (
    ledger_id  bigint not null references ledger,
    ledger_ref text not null,
    reference  text not null,
    number     text not null,
    kind       text not null,
    date       date not null,
    gross      numeric not null,
    seen_at    timestamptz not null,
    primary key (ledger_id, ledger_ref)
);
create index on beyond (ledger_id, reference);

-- An amount of a document with the sign that its kind has in a total: what is given back counts negative.
create function signed(kind text, amount bigint) returns bigint language sql immutable parallel safe as $$
    select case when kind in ('credit-note', 'supplier-credit') then -amount else amount end
$$;
