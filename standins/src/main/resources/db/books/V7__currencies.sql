-- What is in another currency is booked in that of the books, at the rate of its day or at its own. A currency that is not said
-- is that of the books.
create table inkwell_rate (
    currency text not null,
    day      date not null,
    rate     numeric(18, 8) not null check (rate > 0),
    primary key (currency, day)
);
alter table inkwell_document
    add column currency text not null default '',
    add column rate numeric(18, 8) not null default 1,
    add column base_paid numeric(18, 2) not null default 0;
alter table inkwell_payment
    add column currency text not null default '',
    add column rate numeric(18, 8) not null default 1,
    add column exchange_account text references inkwell_account;
-- What each part took off its document, in the currency of the books.
alter table inkwell_allocation add column relieved numeric(18, 2) not null default 0;
