-- Guesses are counted before they are looked at, each for a name from an address or from a browser that is known for it.
drop table sign_in_failure;
create table attempt (
    subject       text primary key,
    failures      int not null,
    blocked_until timestamptz not null,
    last_at       timestamptz not null
);
create index on attempt (last_at);

-- Browsers from which somebody has signed in: what strangers guess does not shut them out.
create table known_browser (
    token_hash bytea not null,
    person_id  bigint not null references person,
    last_at    timestamptz not null,
    primary key (token_hash, person_id)
);

-- What a token may be used for, and on which route alone.
alter table access_token
    add column purposes text[] not null default '{READ,INTAKE,SEND,CHANGE}',
    add column route_id bigint references route;
update access_token set purposes = '{READ}' where reads_only;
alter table access_token drop column reads_only;
