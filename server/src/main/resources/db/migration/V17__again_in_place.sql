-- A document that stands on the ledger goes again in its own place, over the version that was read when somebody decided so;
-- empty for one that is not there yet. Whatever becomes of it, the document is posted, and the revision that stands there
-- changes only when the ledger took it.
alter table dispatch add column read_version int;
