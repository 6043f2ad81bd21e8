-- Of what each route tells somebody without being asked, and to whom.
create table alert_rule (
    route_id bigint primary key references route, recipients jsonb not null, failed_runs boolean not null,
    waiting_days int, consent_days int, digest_at time not null, version int not null, set_by text not null,
    set_at timestamptz not null
);
-- A letter a day to each at most, on whichever server; how many things there were to tell, or none.
create table alert_digest (
    route_id bigint not null references route, day date not null, told int not null,
    made_at timestamptz not null, primary key (route_id, day)
);
alter table mail drop constraint mail_of_one, add constraint mail_of_one check (num_nonnulls(batch_id, record_id, period_from) <= 1);
