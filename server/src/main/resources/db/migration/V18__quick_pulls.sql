-- How many rows a pull changed is counted once, at its end, and not by each look at the list of pulls.
alter table reference_pull
    add column added int not null default 0,
    add column changed int not null default 0,
    add column inactive int not null default 0,
    add column gone int not null default 0;
update reference_pull p set added = n.added, changed = n.changed, inactive = n.inactive, gone = n.gone
from (select pull_id,
        count(*) filter (where what = 'new') as added,
        count(*) filter (where what in ('changed', 'active')) as changed,
        count(*) filter (where what = 'inactive') as inactive,
        count(*) filter (where what = 'gone') as gone
    from reference_change group by pull_id) n
where n.pull_id = p.id;

-- Its rows are compared as a whole, never looked up one by one; that no code comes twice is seen while reading.
alter table pulled drop constraint pulled_pkey;

-- Parties and changes come by the hundred thousand, and to check each one's owner costs as much as to write it. Only a
-- pull writes them, in the transaction that holds its own row and its ledger's; neither is ever deleted.
alter table reference_change drop constraint reference_change_pull_id_fkey;
alter table ledger_party drop constraint ledger_party_ledger_id_fkey;

-- What rows are found by, in small letters once and for all: to fold a hundred thousand names for each letter typed took
-- a third of a second.
alter table ledger_account add column findable text generated always as (lower(code || ' ' || name)) stored;
alter table ledger_tax_code add column findable text generated always as (lower(code || ' ' || name)) stored;
alter table ledger_party add column findable text generated always as (lower(code || ' ' || name)) stored;
alter table ledger_item add column findable text generated always as (lower(code || ' ' || name)) stored;
alter table ledger_term add column findable text generated always as (lower(code || ' ' || name)) stored;
