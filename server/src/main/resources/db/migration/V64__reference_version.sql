-- As of which version of its masters and settings a ledger was read last; empty where it does not tell, or was not read.
alter table ledger add column reference_version text not null default '';
