create table person (
    id            bigint generated always as identity primary key,
    sign_in       text not null unique,
    name          text not null,
    role          text not null check (role in ('administrator', 'bookkeeper', 'reviewer')),
    password_hash text not null
);
create table access_token (
    token_hash bytea primary key,
    person_id  bigint not null references person,
    created_at timestamptz not null,
    expires_at timestamptz not null
);
-- One row per name and per address that failed lately; the pause doubles with every further failure.
create table sign_in_failure (
    subject       text primary key,
    failures      int not null,
    blocked_until timestamptz not null,
    last_at       timestamptz not null
);
create table spring_session (
    primary_id            char(36) not null primary key,
    session_id            char(36) not null unique,
    creation_time         bigint not null,
    last_access_time      bigint not null,
    max_inactive_interval int not null,
    expiry_time           bigint not null,
    principal_name        varchar(100)
);
create index on spring_session (expiry_time);
create index on spring_session (principal_name);
create table spring_session_attributes (
    session_primary_id char(36) not null references spring_session (primary_id) on delete cascade,
    attribute_name     varchar(200) not null,
    attribute_bytes    bytea not null,
    primary key (session_primary_id, attribute_name)
);
