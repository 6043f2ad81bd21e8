-- Terms of payment, and fields that the company added to its documents.
create table inkwell_terms (
    code text primary key, name text not null, days int not null default 0, end_of_month boolean not null default false,
    months int not null default 0, day_of_month int not null default 0, discount numeric not null default 0,
    discount_days int not null default 0, active boolean not null default true);
create table inkwell_field (
    code text primary key, title text not null, type text not null check (type in ('text', 'number', 'date', 'choice')),
    max_length int not null default 0, choices jsonb not null default '[]', active boolean not null default true);
alter table inkwell_document
    add column terms text references inkwell_terms,
    add column fields jsonb not null default '{}';
alter table inkwell_item
    add column kind text, add column unit text not null default '',
    add column purchase_account text references inkwell_account, add column cost_account text references inkwell_account,
    add column stock_account text references inkwell_account;
alter table inkwell_party
    add column contacts jsonb not null default '[]', add column parent text references inkwell_party;
