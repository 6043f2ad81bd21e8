-- The lines of what stands on a ledger, whoever entered it, as its feed tells of them: what was booked before is the
-- best advice for what is to be booked.
create table ledger_booked (
    ledger_id  bigint not null references ledger,
    ledger_ref text not null,
    ordinal    int not null,
    kind       text not null,
    party      text not null,
    day        date not null,
    text       text not null,
    account    text not null,
    primary key (ledger_id, ledger_ref, ordinal)
);
