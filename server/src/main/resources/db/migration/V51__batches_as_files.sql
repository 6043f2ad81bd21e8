-- A batch for a ledger that takes files is written into files, kept byte for byte; a later revision takes the place of a
-- former one.
alter table batch
    add column revision    int not null default 1,
    -- The first of its revisions; null for that one itself.
    add column first_id    bigint references batch,
    -- The day that all of it takes on the ledger, instead of their own.
    add column dated_on    date;
create unique index batch_revision on batch (first_id, revision) where first_id is not null;

create table batch_file (
    batch_id   bigint not null references batch,
    ordinal    int not null,
    name       text not null,
    sha256     bytea not null,
    content    bytea not null,
    written_at timestamptz not null,
    written_by text not null,
    primary key (batch_id, ordinal)
);
-- By which it was written, as it was then, with the texts in it that a spreadsheet would take for formulas.
create table batch_layout (
    batch_id bigint primary key references batch,
    layout   jsonb not null,
    formulas jsonb not null
);
create table answer_file (
    id        bigint generated always as identity primary key,
    batch_id  bigint not null references batch,
    name      text not null,
    sha256    bytea not null,
    content   bytea not null,
    taken_at  timestamptz not null,
    taken_by  text not null,
    telling   text not null check (telling in ('WHOLE', 'PART', 'REGISTER')),
    accepted  int not null,
    differing int not null,
    refused   int not null,
    missing   int not null,
    -- lines that settle nothing, as {line, sentence}
    odd       jsonb not null
);
create index on answer_file (batch_id, id);

-- How files look that a ledger imports, beside what its kind brings along.
create table layout (
    id         bigint generated always as identity primary key,
    ledger_id  bigint not null references ledger,
    name       text not null check (name <> ''),
    carries    text not null check (carries in ('SALES', 'PURCHASES', 'SETTLEMENTS')),
    definition jsonb not null,
    version    int not null default 1,
    changed_at timestamptz not null,
    changed_by text not null,
    unique (ledger_id, name)
);

-- What is kept as it was sent and answered is large enough to be compressed; this way costs a fifth of the time.
alter table link alter column source_half set compression lz4, alter column ledger_half set compression lz4,
    alter column ledger_now set compression lz4;
alter table posting alter column entry set compression lz4, alter column source_half set compression lz4;
alter table dispatch alter column request set compression lz4, alter column answer set compression lz4;
