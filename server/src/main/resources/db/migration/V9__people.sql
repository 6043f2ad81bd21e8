alter table person drop constraint person_role_check;
alter table person
    add constraint person_role_check check (role in ('administrator', 'bookkeeper', 'operations', 'reviewer')),
    add column active boolean not null default true,
    add column version int not null default 1;

alter table access_token
    add column id bigint generated always as identity unique,
    add column name text not null default 'command line',
    add column reads_only boolean not null default false,
    add column last_used_at timestamptz;

-- The trail of settings: everything that concerns no single document.
create index trail_of_settings on trail (id) where document_id is null;

-- From which browser a session was opened; rows outlive their session only until the next sign-in.
create table session_browser (session_id text primary key, browser text not null);
