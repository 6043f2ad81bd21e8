-- Records that are neither sent nor asked about any more, as somebody said, until somebody looks after them again.
create table left_alone (
    record_id bigint primary key references record, who text not null, at timestamptz not null
);
-- What people entered on a ledger and no source has yet: few, looked through before each batch.
create index record_entered_there on record (route_id)
    where origin = 'ledger' and (outcome is null or outcome in ('refused', 'unreached'));
