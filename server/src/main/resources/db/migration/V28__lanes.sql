-- A ledger that asks to be left alone is left alone by all lanes and all servers.
alter table ledger add column paused_until timestamptz;

-- Parties that were created there are found by when, so that a run looks only at those since it last looked.
alter table ledger_party add column kept_version bigint not null default 0;
drop index ledger_party_kept;
create index ledger_party_kept on ledger_party (ledger_id, kept_version) where kept;

-- What has to be tried before it, of the same batch.
alter table dispatch add column after_id bigint references dispatch;

-- What the source had when this was compiled: its half of the baseline, once the ledger has it.
alter table posting add column source_half jsonb;
