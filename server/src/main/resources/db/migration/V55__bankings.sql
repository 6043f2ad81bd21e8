-- What is taken to the bank together: a record of a kind of its own, made here. The same day and account are the same banking.
create table banking (
    record_id  bigint primary key references record,
    route_id   bigint not null references route,
    account    text not null,
    banked_on  date not null,
    made_by    text not null,
    made_at    timestamptz not null,
    -- why it was withdrawn; empty while it stands
    withdrawn  text not null default '',
    version    int not null default 1,
    unique (route_id, account, banked_on)
);
-- A receipt is taken to the bank once.
create table banking_receipt (
    receipt_id bigint primary key references record,
    banking_id bigint not null references banking
);
create index on banking_receipt (banking_id);
-- What was withdrawn holds its receipts until it is off the ledger too: they would be at the bank twice there otherwise.
create view banked as
    select p.receipt_id, p.banking_id from banking_receipt p join banking b on b.record_id = p.banking_id
        join record d on d.id = p.banking_id
    where b.withdrawn = '' or d.state <> 'Voided';
