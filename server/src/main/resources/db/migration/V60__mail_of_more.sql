-- A mail tells of a batch, of a banking, or of all that was sent in a period; each is worded for itself.
alter table mail
    alter column batch_id drop not null,
    add column route_id bigint references route,
    add column record_id bigint references record,
    add column period_from date,
    add column period_to date,
    -- what it is about, as the trail calls it
    add column name text;
update mail set route_id = (select route_id from batch where batch.id = mail.batch_id), name = 'Batch ' || batch_id;
alter table mail
    alter column route_id set not null,
    alter column name set not null,
    add constraint mail_of_one check (num_nonnulls(batch_id, record_id, period_from) = 1),
    add constraint mail_of_a_whole_period check ((period_from is null) = (period_to is null));
create index on mail (record_id, id) where record_id is not null;
create index on mail (route_id, period_from, period_to, id) where period_from is not null;
alter table mail_wording add column about text not null default 'BATCH' check (about in ('BATCH', 'BANKING', 'REGISTER'));
alter table mail_wording drop constraint mail_wording_pkey, add primary key (route_id, about);
