-- A payment stands by itself: it settles documents, as much of each as it says, and what is over stays an open credit of its
-- party.
alter table inkwell_payment rename to inkwell_payment_before;
create table inkwell_payment (
    id text primary key, kind text not null, number text not null, party text not null references inkwell_party, date date not null,
    control_account text not null references inkwell_account, account text not null references inkwell_account,
    means text not null default '', reference text not null default '', note text not null default '', external_reference text,
    amount numeric(18,2) not null, charges numeric(18,2) not null default 0, charges_account text references inkwell_account,
    voided boolean not null default false, entered_at timestamptz not null default now(), version int not null default 1
);
create index on inkwell_payment (external_reference);
create index on inkwell_payment (party);
create table inkwell_allocation (
    payment text not null references inkwell_payment, no int not null, document text not null references inkwell_document,
    money numeric(18,2) not null, primary key (payment, no)
);
create index on inkwell_allocation (document);
create table inkwell_deduction (
    payment text not null, no int not null, place int not null, account text not null references inkwell_account,
    text text not null default '', tax_code text references inkwell_tax_code, amount numeric(18,2) not null,
    primary key (payment, no, place), foreign key (payment, no) references inkwell_allocation
);
alter table inkwell_journal add column payment text references inkwell_payment;
create index on inkwell_journal (payment);
insert into inkwell_payment (id, kind, number, party, date, control_account, account, amount)
select 'PM-' || p.id, case d.kind when 'invoice' then 'payment-in' when 'credit-note' then 'refund' when 'bill' then 'payment-out'
    else 'supplier-refund' end, 'PM-' || p.id, d.party, p.date, d.control_account, p.bank_account, p.amount
from inkwell_payment_before p join inkwell_document d on d.id = p.document;
insert into inkwell_allocation (payment, no, document, money) select 'PM-' || id, 1, document, amount from inkwell_payment_before;
drop table inkwell_payment_before;
