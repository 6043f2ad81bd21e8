create table copperplate_setting (name text primary key, value text not null);
create table copperplate_import (
    id int generated always as identity primary key, file text not null, layout text not null, at timestamptz not null
);
create table copperplate_outcome (
    import_id int not null references copperplate_import, ordinal int not null, delivery text not null, reference text not null,
    accepted boolean not null, entry text not null default '', party text not null default '', created boolean not null default false,
    currency text not null default '', gross numeric(14,2) not null default 0, reason text not null default '',
    primary key (import_id, ordinal)
);
create table copperplate_entry (
    number text primary key, layout text not null, kind text not null, document text not null, date date not null, due date,
    party text not null, currency text not null, rate numeric(18,8) not null, prices text not null, tax_code text not null,
    corrects text not null, net numeric(14,2) not null, tax numeric(14,2) not null, gross numeric(14,2) not null,
    delivery text not null, reference text not null, import_id int not null references copperplate_import, void boolean not null default false
);
create index on copperplate_entry (reference);
create table copperplate_row (
    entry text not null references copperplate_entry on delete cascade, ordinal int not null, account text not null, party text not null default '',
    description text not null, quantity numeric(14,4), amount numeric(14,2) not null, taxed boolean not null default false,
    settles text not null default '', primary key (entry, ordinal)
);
