-- Masters of a ledger that the source of a route lacks, once they were looked at: about which somebody is asked, because
-- the source may have them under another code (`resembles`) or would not take them (`reason`), or which are to be created,
-- or left where they are. What is created is `body`, as the ledger had it then.
create table master_lacking (
    route_id bigint not null references route, kind text not null, counterpart text not null,
    source_id bigint not null references source, ledger_id bigint not null references ledger,
    state text not null check (state in ('asked', 'due', 'refused', 'left')),
    resembles text not null default '', body jsonb not null, reason text not null default '', key uuid not null,
    who text not null, since timestamptz not null, tries int not null default 0, next_at timestamptz not null,
    primary key (route_id, kind, counterpart),
    -- Several routes can lead from a source to a ledger: what it lacks is one route's to create.
    unique (source_id, ledger_id, kind, counterpart)
);
