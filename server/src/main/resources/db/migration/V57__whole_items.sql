-- What an item is there beside its name and the account of its sales. The next pull fills it in, and calls every item
-- changed once.
alter table ledger_item
    -- empty where the ledger does not tell
    add column kind text not null default '',
    add column unit text not null default '',
    add column purchase_account text not null default '',
    add column cost_account text not null default '',
    add column stock_account text not null default '',
    add column tax_code text not null default '',
    -- whether it was told of since these are kept
    add column told boolean not null default false;

-- An item is written anew as a whole. What was only begun is listed anew: its rows say too little of what stood there.
delete from item_rewriting where state <> 'DONE';
alter table item_rewriting_row add column before jsonb, add column after jsonb;
update item_rewriting_row set
    before = jsonb_build_object('code', there, 'name', name_before, 'unit', '', 'account', account_before,
        'purchase', jsonb_build_object('expense', '', 'cost', '', 'stock', ''), 'taxCode', '', 'active', true),
    after = jsonb_build_object('code', there, 'name', name_after, 'unit', '', 'account', account_after,
        'purchase', jsonb_build_object('expense', '', 'cost', '', 'stock', ''), 'taxCode', '', 'active', true);
alter table item_rewriting_row
    drop column name_before, drop column name_after, drop column account_before, drop column account_after,
    alter column before set not null, alter column after set not null;
