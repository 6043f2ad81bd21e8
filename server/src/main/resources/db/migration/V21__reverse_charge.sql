-- A tax code may book its rate on both sides and charge nothing; what of it may not be reclaimed is cost.
alter table ledger_tax_code
    alter column rate type numeric,
    add column both_sides boolean not null default false,
    add column deductible numeric not null default 100;
alter table source_tax alter column rate type numeric;

-- By which parties of documents the business is known beside its name and its tax identifiers, since somebody said so.
create table known_as (
    source_id  bigint not null references source,
    party_code text not null,
    said_by    text not null,
    said_at    timestamptz not null,
    primary key (source_id, party_code)
);

-- By which rules documents were compiled last; a program with newer ones compiles them again when it starts.
create table compiled_by (rules int not null);
insert into compiled_by (rules) values (1);

-- Records of an app or a ledger that cannot be used, each by itself; the rest of the feed goes on.
create table set_aside (
    id         bigint generated always as identity primary key,
    source_id  bigint references source,
    ledger_id  bigint references ledger,
    type       text not null,
    ref        text not null,
    name       text not null,
    reason     text not null,
    raw        text not null,
    times      int not null default 1,
    first_at   timestamptz not null,
    last_at    timestamptz not null,
    settled_at timestamptz,
    settled_by text not null default '',
    check ((source_id is null) <> (ledger_id is null))
);
create unique index set_aside_of on set_aside (coalesce(source_id, 0), coalesce(ledger_id, 0), type, ref);
create index set_aside_open on set_aside (last_at) where settled_at is null;

-- A corrected invoice is looked for by the number that it names.
create index document_corrected on document (source_id, (content->>'precedingNumber')) where content->>'typeCode' = '384';
-- Documents of strangers are looked for by either party.
create index document_of_strangers on document (source_id) where content->>'ownership' = 'NEITHER';
