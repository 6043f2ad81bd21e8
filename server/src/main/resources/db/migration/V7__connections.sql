-- A ledger is one company on an outside system; the same company is connected once at most.
alter table ledger
    add column system text not null default 'inkwell',
    add column company text not null default 'saltmere',
    add column company_name text not null default '',
    add column connected boolean not null default true,
    add column applies_credits boolean not null default false,
    add column tracks_quantities boolean not null default false,
    add column features text[] not null default '{}',
    add column connected_by text not null default '',
    add column connected_at timestamptz;
update ledger set company_name = name;
alter table ledger alter column company drop default, alter column system drop default;
create unique index ledger_company on ledger (system, company) where connected;

alter table source
    add column system text not null default 'hullwork',
    add column connected boolean not null default true;
update source set system = 'files' where kind = 'files';

-- What opens an outside system, sealed with the key of this installation.
create table credential (
    id              bigint generated always as identity primary key,
    ledger_id       bigint unique references ledger,
    source_id       bigint unique references source,
    sealed          bytea not null,
    scopes          text not null default '',
    expires_at      timestamptz,
    consent_ends_at timestamptz,
    lost_at         timestamptz,
    version         int not null default 1,
    check ((ledger_id is null) <> (source_id is null))
);

-- A consent on its way: asked for, then given, then used for a company. Short-lived.
create table consent_request (
    state      text primary key,
    sign_in    text not null,
    ledger_id  bigint references ledger,
    verifier   bytea not null,
    sealed     bytea,
    scopes     text not null default '',
    expires_at timestamptz,
    created_at timestamptz not null
);

-- Links belong to the company that they lead to, also after a route has moved on.
alter table link add column ledger_id bigint references ledger;
update link l set ledger_id = r.ledger_id from document d join route r on r.id = d.route_id where d.id = l.document_id;
alter table link alter column ledger_id set not null;
alter table link drop constraint link_ledger_ref_key;
create unique index link_of_ledger on link (ledger_id, ledger_ref);

-- What the ledger no longer tells of is kept, and known to be gone. Hidden is a wish that holds while nothing uses it.
alter table ledger_account add column gone boolean not null default false, add column hidden boolean not null default false;
alter table ledger_tax_code add column gone boolean not null default false, add column hidden boolean not null default false;
alter table ledger_party add column gone boolean not null default false, add column hidden boolean not null default false;
alter table ledger_item add column gone boolean not null default false, add column hidden boolean not null default false;

create table reference_pull (
    id          bigint generated always as identity primary key,
    ledger_id   bigint not null references ledger,
    who         text not null,
    started_at  timestamptz not null,
    finished_at timestamptz,
    state       text not null check (state in ('running', 'done', 'failed')),
    read        jsonb not null default '{}',
    problem     text not null default '',
    detail      text not null default ''
);
create index on reference_pull (ledger_id, id);
create unique index reference_pull_running on reference_pull (ledger_id) where state = 'running';

-- What a pull has read so far, page by page; merged at its end and then emptied.
create unlogged table pulled (
    pull_id bigint not null,
    kind    text not null,
    code    text not null,
    name    text not null,
    active  boolean not null,
    body    jsonb not null,
    primary key (pull_id, kind, code)
);

create table reference_change (
    pull_id bigint not null references reference_pull,
    kind    text not null,
    code    text not null,
    name    text not null,
    what    text not null check (what in ('new', 'changed', 'inactive', 'active', 'gone')),
    before  jsonb,
    after   jsonb,
    primary key (pull_id, kind, code)
);
