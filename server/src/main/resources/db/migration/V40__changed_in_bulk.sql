-- Many rows of one crosswalk that are changed together, from a file or a choice of codes: what was shown is what is
-- done, and it is taken back as a whole.
create table bulk_change (
    id        bigint generated always as identity primary key,
    route_id  bigint not null references route,
    kind      text not null,
    -- the name of the file; empty for a choice of codes
    file_name text not null,
    sha256    bytea,
    made_by   text not null,
    made_at   timestamptz not null,
    state     text not null default 'TRIED' check (state in ('TRIED', 'DONE', 'UNDONE')),
    done_by   text not null default '',
    done_at   timestamptz,
    undone_by text not null default '',
    undone_at timestamptz
);
create index bulk_change_of_route on bulk_change (route_id, id);

create table bulk_change_row (
    bulk_change_id bigint not null references bulk_change on delete cascade,
    code           text not null,
    -- in the file; 0 for a choice of codes
    line           int not null,
    version        int not null,
    -- null for no row
    before         jsonb,
    after          jsonb,
    -- of the row as it was changed to; null until then
    became         int,
    primary key (bulk_change_id, code)
);
