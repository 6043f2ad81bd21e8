-- When and by whom each side says that what is asked about was changed there: accounting.sync.LastChanges of both.
alter table master_question add column told jsonb not null default '{"source": {"fields": {}}, "ledger": {"fields": {}}}';
alter table master_question alter column told drop default;
