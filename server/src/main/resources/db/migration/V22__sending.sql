-- A version is never given twice, not even after a transaction that failed: what was built for one can be kept by it.
create sequence state_version as bigint;
select setval('state_version', 1 + greatest(
    (select coalesce(max(crosswalk_version), 0) from route), (select coalesce(max(version), 0) from ledger)));
alter table route alter column crosswalk_version type bigint,
    alter column crosswalk_version set default nextval('state_version');
alter table ledger alter column version type bigint, alter column version set default nextval('state_version');

-- Parties that were created there since the last pull: whoever resembles one of them is asked about at once.
alter table ledger_party add column kept boolean not null default false;
create index ledger_party_kept on ledger_party (ledger_id) where kept;
alter table ledger add column kept_version bigint not null default 0;

-- What was shown is what is sent: the ledger document as it was compiled when it was queued, and of which revision.
-- Answers are kept as text, since what comes back need not be JSON. What failed on its way waits until a time; one that
-- is no longer asked about rests until somebody says so.
alter table dispatch
    alter column answer type text using answer::text,
    add column posting jsonb,
    add column next_at timestamptz,
    add column rests boolean not null default false;
create index dispatch_due on dispatch (batch_id, next_at) where outcome in ('queued', 'sending', 'unconfirmed') and not rests;
-- How often in a row the ledger did not answer.
alter table batch add column failures int not null default 0;

-- Who sends on a route, for how long. A process that no longer renews its lease has lost it.
create table route_lease (
    route_id bigint primary key references route,
    holder   text not null,
    taken_at timestamptz not null,
    until    timestamptz not null
);

-- Work that asks outside systems goes on behind the request that began it.
create table work (
    id          bigint generated always as identity primary key,
    kind        text not null,
    subject     text not null,
    who         text not null,
    state       text not null check (state in ('running', 'done', 'failed')),
    done        int not null default 0,
    of          int not null default 0,
    result      jsonb,
    problem     jsonb,
    started_at  timestamptz not null,
    seen_at     timestamptz not null,
    finished_at timestamptz
);
create unique index work_running on work (kind, subject) where state = 'running';

-- Whoever approves first does; the others are told.
alter table document
    add column approval_asked_by text not null default '',
    add column approval_asked_at timestamptz;
