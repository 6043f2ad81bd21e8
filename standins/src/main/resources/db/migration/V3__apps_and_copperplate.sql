create sequence app_seq;
create table app_record (
    app text not null, type text not null, id text not null, body jsonb not null, seq bigint not null, primary key (app, type, id)
);
create index on app_record (app, seq);
create table copperplate_account (code text primary key, title text not null, class text not null, open boolean not null default true);
create table copperplate_tax (
    code text primary key, title text not null, percent numeric(7,3) not null, letter text not null, account text not null, open boolean not null default true
);
create table copperplate_party (
    number text primary key, name text not null, tax_number text not null default '', mail text not null default '', phone text not null default '',
    street text not null default '', city text not null default '', postal_code text not null default '', country text not null default '',
    open boolean not null default true
);
create table copperplate_term (code text primary key, title text not null, days int not null, open boolean not null default true);
