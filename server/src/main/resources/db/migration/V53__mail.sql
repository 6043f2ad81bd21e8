-- By which whoever imports a batch is told of it, for each route; with words in braces that stand for what differs.
create table mail_wording (
    route_id   bigint primary key references route,
    recipients text[] not null,
    subject    text not null,
    body       text not null,
    changed_at timestamptz not null,
    changed_by text not null
);
-- What was sent to whom, exactly as it was sent.
create table mail (
    id         bigint generated always as identity primary key,
    batch_id   bigint not null references batch,
    recipients text[] not null,
    subject    text not null,
    body       text not null,
    -- The same, however often it is tried, so that whoever gets it twice can tell.
    message_id text not null unique,
    asked_at   timestamptz not null,
    asked_by   text not null,
    outcome    text not null default 'queued' check (outcome in ('queued', 'sent', 'failed')),
    attempts   int not null default 0,
    sentence   text not null default '',
    sent_at    timestamptz
);
create index on mail (batch_id, id);
create table mail_file (
    mail_id    bigint not null references mail,
    ordinal    int not null,
    name       text not null,
    media_type text not null,
    sha256     bytea not null,
    content    bytea not null,
    primary key (mail_id, ordinal)
);
