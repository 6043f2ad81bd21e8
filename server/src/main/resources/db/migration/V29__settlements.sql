-- Money crosses too: payments, refunds and what came back of them. A record says on which side it was made.
alter table record add column origin text not null default 'source' check (origin in ('source', 'ledger'));
alter table batch add column origin text not null default 'source' check (origin in ('source', 'ledger'));

create or replace function signed(kind text, amount bigint) returns bigint language sql immutable parallel safe as $$
    select case when kind in ('credit-note', 'supplier-credit', 'refund', 'returned-in', 'supplier-refund', 'returned-out')
        then -amount else amount end
$$;

-- Money that settles documents is never added to them: sums over both are those of the documents, where there are any.
create function is_document(kind text) returns boolean language sql immutable parallel safe as $$
    select kind in ('invoice', 'credit-note', 'bill', 'supplier-credit')
$$;

-- What was taken back on the ledger is voided on both sides.
alter table record drop constraint if exists document_outcome_check;
alter table record add constraint record_outcome_check
    check (outcome in ('queued', 'sending', 'unconfirmed', 'posted', 'refused', 'unreached', 'cancelled'));
alter table record drop column state;
alter table record add column state text generated always as (
    case
        when outcome = 'cancelled' then 'Voided'
        when outcome = 'posted' and (ledger_differs or voided or revision > outcome_revision) then 'Diverged'
        when outcome = 'posted' then 'Posted'
        when outcome = 'unconfirmed' then 'Unconfirmed'
        when outcome in ('queued', 'sending') then 'Queued'
        when voided then 'Voided'
        when outcome = 'refused' and outcome_revision = revision then 'Refused'
        when not approved then 'Waiting'
        when blocking > 0 then 'Blocked'
        else 'Ready'
    end) stored;
create index record_state_date on record (route_id, state, issue_date, id);
create index record_summary on record (route_id, state) include (gross, kind);

-- Which settlement settles how much of which document, as its source says it.
create table allocation (
    record_id bigint not null references record,
    ordinal   int not null,
    kind      text not null,
    number    text not null,
    money     bigint not null,
    -- with what was deducted; negative where it came back
    settled   bigint not null,
    primary key (record_id, ordinal)
);
create index allocation_of on allocation (number, kind);

-- Settlements that people entered on the ledger, until the documents that they settle are known.
create table entered_there (
    ledger_id  bigint not null references ledger,
    ledger_ref text not null,
    settles    text[] not null,
    body       jsonb not null,
    seen_at    timestamptz not null,
    primary key (ledger_id, ledger_ref)
);

-- The means of payment that a source was paid by, with the currency, such as `48 EUR`.
create table source_means (
    source_id bigint not null references source,
    code      text not null,
    primary key (source_id, code)
);
