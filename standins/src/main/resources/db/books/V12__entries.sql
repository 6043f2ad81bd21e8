-- Journal entries that stand by themselves: no document and no payment is behind them.
create table inkwell_entry (
    id text primary key, category text not null default '', number text not null, date date not null, slip text not null default '',
    note text not null default '', external_reference text, voided boolean not null default false, version int not null default 1,
    entered_at timestamptz not null default now()
);
create index on inkwell_entry (external_reference);
create unique index inkwell_entry_number on inkwell_entry (number) where not voided;
create table inkwell_entry_line (
    entry text not null references inkwell_entry, no int not null, account text not null references inkwell_account,
    debit numeric(18,2) not null, credit numeric(18,2) not null, text text not null default '', dimensions jsonb not null default '{}',
    primary key (entry, no)
);
alter table inkwell_journal add column entry text references inkwell_entry;
create index on inkwell_journal (entry);
