-- The books of one company of Inkwell; each company has them in a schema of its own.
create table inkwell_setting (name text primary key, value text not null);
create table inkwell_account (
    code text primary key, name text not null, type text not null,
    active boolean not null default true, version int not null default 1
);
create table inkwell_tax_code (
    code text primary key, name text not null, rate numeric(9,4) not null, category text not null,
    account text not null references inkwell_account, active boolean not null default true, version int not null default 1
);
create table inkwell_customer (
    id text primary key, name text not null unique, tax_identifier text not null default '', email text not null default '',
    phone text not null default '', bill_to jsonb not null default '{}', ship_to jsonb not null default '{}',
    external_reference text unique, active boolean not null default true, version int not null default 1
);
create table inkwell_item (
    code text primary key, name text not null unique, account text not null references inkwell_account,
    tax_code text references inkwell_tax_code, external_reference text unique,
    active boolean not null default true, version int not null default 1
);
create table inkwell_document (
    id text primary key, number text not null unique, kind text not null, customer text not null references inkwell_customer,
    date date not null, due date, prices_include_tax boolean not null, receivable_account text not null references inkwell_account,
    external_reference text, credits_number text not null default '',
    net numeric(18,2) not null, tax numeric(18,2) not null, gross numeric(18,2) not null, paid numeric(18,2) not null default 0,
    entered_at timestamptz not null default now(), version int not null default 1
);
create index on inkwell_document (external_reference);
create index on inkwell_document (date);
create table inkwell_line (
    document text not null references inkwell_document, no int not null, item text references inkwell_item,
    account text not null references inkwell_account, text text not null, quantity numeric(18,6) not null, unit_price numeric(18,6) not null,
    amount numeric(18,2) not null, net numeric(18,2) not null, tax_code text references inkwell_tax_code,
    primary key (document, no)
);
create table inkwell_journal (
    id bigint generated always as identity primary key, date date not null, document text references inkwell_document, memo text not null
);
create index on inkwell_journal (document);
create table inkwell_journal_line (
    journal bigint not null references inkwell_journal, account text not null references inkwell_account,
    debit numeric(18,2) not null default 0, credit numeric(18,2) not null default 0, check (debit >= 0 and credit >= 0)
);
create index on inkwell_journal_line (journal);
create table inkwell_payment (
    id bigint generated always as identity primary key, document text not null references inkwell_document,
    date date not null, amount numeric(18,2) not null, bank_account text not null references inkwell_account
);
create table inkwell_request (key text primary key, status int not null, body text not null, at timestamptz not null default now());
create table inkwell_change (seq bigint generated always as identity primary key, type text not null, id text not null);
create sequence inkwell_id start 5001;
