-- A ledger that takes files, and one code for all lines of a document.
alter table ledger add column one_tax_code boolean not null default false;
-- What tells the books from others under the same name; taken over at the first pull after a connection.
alter table ledger add column books_id text not null default '';
create table ledger_term (
    ledger_id bigint not null references ledger, code text not null, name text not null, days int not null,
    active boolean not null, gone boolean not null default false, hidden boolean not null default false,
    primary key (ledger_id, code)
);
