-- What a batch decides on top of its route: how its documents stand on the ledger, as values by the names of settings.
alter table batch add column options jsonb not null default '{}';
