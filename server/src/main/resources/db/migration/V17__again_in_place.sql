-- A document that stands on the ledger goes again in its own place. Whatever becomes of that, it is posted; the revision
-- that stands there changes only when the ledger took it.
alter table dispatch add column in_place boolean not null default false;
