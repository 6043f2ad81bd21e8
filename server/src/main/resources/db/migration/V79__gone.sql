-- A record that one side does not have any more: nothing of it is done to the other by itself, and a person is asked.
alter table record add column gone text not null default '' check (gone in ('', 'source', 'ledger'));
drop view banked;
alter table record drop column state;
alter table record add column state text generated always as (
    case
        when outcome = 'cancelled' then 'Voided'
        when outcome = 'posted' and (ledger_differs or voided or gone <> '' or revision > outcome_revision) then 'Diverged'
        when outcome = 'posted' then 'Posted'
        when outcome = 'unconfirmed' then 'Unconfirmed'
        when outcome in ('queued', 'sending') then 'Queued'
        when voided or gone = 'source' then 'Voided'
        when outcome = 'refused' and outcome_revision = revision then 'Refused'
        when not approved then 'Waiting'
        when blocking > 0 then 'Blocked'
        else 'Ready'
    end) stored;
create index record_state_date on record (route_id, state, issue_date, id);
create index record_summary on record (route_id, state) include (gross, kind, currency);
create index record_gone on record (route_id) where gone <> '';
create view banked as
    select p.receipt_id, p.banking_id from banking_receipt p join banking b on b.record_id = p.banking_id
        join record d on d.id = p.banking_id
    where b.withdrawn = '' or d.state <> 'Voided';
