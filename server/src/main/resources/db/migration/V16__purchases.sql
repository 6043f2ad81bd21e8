-- Bills cross. Tax on them has an account of its own.
alter table ledger_tax_code add column input_account text not null default '';

-- A document on the ledger has a party, customer or supplier.
update link set baseline = (baseline - 'customer') || jsonb_build_object('party', baseline->'customer'),
    ledger_now = (ledger_now - 'customer') || jsonb_build_object('party', ledger_now->'customer')
where baseline ? 'customer';

-- Bills that were taken in before: by whom they are found, approved by whoever took them in, and held until the route says
-- that they cross.
update document d set refs = array(select r from unnest(d.refs) r where r not like 'item:%' and r not like 'category:%'
        and r not like 'line:%') || array['supplier:' || d.party_code, 'line:' || d.party_code || ' ' || d.number],
    approved = true, milestones = '{APPROVED,FINISHED,SENT}', blocking = 1, cause = 'does-not-cross:' || d.kind
where d.kind in ('bill', 'supplier-credit');
update finding f set severity = 'blocks', cause = 'does-not-cross:' || d.kind,
    sentence = case d.kind when 'bill' then 'Bills' else 'Supplier credits' end || ' do not cross on this route.'
from document d where d.id = f.document_id and f.cause = 'purchase-not-compiled';
