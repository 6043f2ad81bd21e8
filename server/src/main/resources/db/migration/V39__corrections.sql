-- Journals that would put right what was booked under a former row. A draft is never sent: whoever keeps the ledger
-- enters it there, and says so here.
create table correction (
    id            bigint generated always as identity primary key,
    route_id      bigint not null references route,
    kind          text not null,
    code          text not null,
    -- of the row that made it; 0 where the row was taken away
    row_version   int not null,
    currency      text not null,
    made_by       text not null,
    made_at       timestamptz not null,
    state         text not null default 'DRAFT' check (state in ('DRAFT', 'ENTERED', 'DROPPED')),
    ledger_number text not null default '',
    settled_by    text not null default '',
    settled_at    timestamptz
);
create index correction_of_route on correction (route_id, id);

create table correction_journal (
    correction_id bigint not null references correction,
    ordinal       int not null,
    day           date not null,
    records       int not null,
    -- how many of them were booked in a month that was locked by then
    late          int not null,
    primary key (correction_id, ordinal)
);
-- Amounts are signed minor units of base currency, positive is debit.
create table correction_line (
    correction_id bigint not null,
    journal       int not null,
    ordinal       int not null,
    account       text not null,
    dimensions    jsonb not null default '{}',
    amount        bigint not null,
    primary key (correction_id, journal, ordinal),
    foreign key (correction_id, journal) references correction_journal (correction_id, ordinal)
);
-- What it moves of each record, so that it is not moved again from where it was.
create table correction_record (
    correction_id bigint not null references correction,
    record_id     bigint not null references record,
    booked        date not null,
    account       text not null,
    tax_code      text not null,
    dimensions    jsonb not null default '{}',
    amount        bigint not null
);
create index correction_record_of on correction_record (record_id);
create index correction_record_in on correction_record (correction_id);

-- What has crossed is asked by its codes too, before a row is changed.
create index record_refs_posted on record using gin (refs) where outcome = 'posted';
