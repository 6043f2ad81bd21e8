create table batch (
    id                bigint generated always as identity primary key,
    route_id          bigint not null references route,
    created_by        text not null,
    created_at        timestamptz not null,
    currency          text not null,
    count             int not null,
    net               bigint not null,
    tax               bigint not null,
    gross             bigint not null,
    hash_total        numeric(30) not null,
    independent_total bigint,
    reason            text not null default '',
    finished_at       timestamptz
);
create table dispatch (
    id              bigint generated always as identity primary key,
    batch_id        bigint not null references batch,
    document_id     bigint not null references document,
    idempotency_key uuid not null unique,
    outcome         text not null check (outcome in ('queued', 'sending', 'unconfirmed', 'posted', 'refused', 'unreached')),
    revision        int,
    attempts        int not null default 0,
    request         jsonb,
    answer_status   int,
    answer          jsonb,
    refusal_code    text not null default '',
    sentence        text not null default '',
    ledger_ref      text,
    sent_at         timestamptz,
    answered_at     timestamptz,
    version         int not null default 1
);
create index on dispatch (batch_id, id);
create index on dispatch (document_id, id);
-- A document is on its way once at most.
create unique index dispatch_open on dispatch (document_id) where outcome in ('queued', 'sending', 'unconfirmed');

create table scheduled_tasks (
    task_name            text not null,
    task_instance        text not null,
    task_data            bytea,
    execution_time       timestamptz not null,
    picked               boolean not null,
    picked_by            text,
    last_success         timestamptz,
    last_failure         timestamptz,
    consecutive_failures int,
    last_heartbeat       timestamptz,
    version              bigint not null,
    priority             smallint,
    primary key (task_name, task_instance)
);
create index on scheduled_tasks (execution_time);
create index on scheduled_tasks (last_heartbeat);

-- The permanent pair of a document and its record on the ledger, with what both sides last agreed on.
create table link (
    document_id bigint primary key references document,
    ledger_ref  text not null unique,
    baseline    jsonb not null,
    ledger_now  jsonb not null,
    seen_at     timestamptz not null
);
