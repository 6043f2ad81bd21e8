-- A party is found by its number for tax too.
alter table ledger_party drop column findable;
alter table ledger_party add column findable text
    generated always as (lower(code || ' ' || name || ' ' || coalesce(body->>'taxIdentifier', ''))) stored;
