create table source (
    id     bigint generated always as identity primary key,
    name   text not null unique,
    kind   text not null check (kind in ('app', 'files')),
    desk   text not null default '',
    cursor bigint not null default 0
);
create table ledger (
    id             bigint generated always as identity primary key,
    name           text not null unique,
    desk           text not null default '',
    currency       text not null,
    tax_rounding   text not null,
    name_limit     int not null,
    locked_through date,
    cursor         bigint not null default 0,
    version        int not null default 1,
    pulled_at      timestamptz
);
create table route (
    id                       bigint generated always as identity primary key,
    code                     text not null unique,
    source_id                bigint not null references source,
    ledger_id                bigint not null references ledger,
    site                     text not null default '',
    business_name            text not null,
    business_tax_identifiers text[] not null,
    crosswalk_version        int not null default 1
);
-- What the ledger owns, as last pulled.
create table ledger_account (
    ledger_id bigint not null references ledger, code text not null, name text not null, type text not null,
    active boolean not null, primary key (ledger_id, code)
);
create table ledger_tax_code (
    ledger_id bigint not null references ledger, code text not null, name text not null, rate numeric(9, 4) not null,
    category text not null, account text not null, active boolean not null, primary key (ledger_id, code)
);
create table ledger_party (
    ledger_id bigint not null references ledger, code text not null, name text not null, body jsonb not null,
    active boolean not null, primary key (ledger_id, code)
);
create table ledger_item (
    ledger_id bigint not null references ledger, code text not null, name text not null, account text not null,
    active boolean not null, primary key (ledger_id, code)
);
-- What the source has told of its own codes.
create table source_party (
    source_id bigint not null references source, code text not null, name text not null, body jsonb not null,
    primary key (source_id, code)
);
create table source_item (
    source_id bigint not null references source, code text not null, name text not null, category text not null,
    kind text not null, primary key (source_id, code)
);
create table source_category (
    source_id bigint not null references source, code text not null, name text not null, primary key (source_id, code)
);
create table source_tax (
    source_id bigint not null references source, code text not null, name text not null, rate numeric(9, 4) not null,
    category text not null, primary key (source_id, code)
);
