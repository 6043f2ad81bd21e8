-- Records that are neither sent nor asked about any more, as somebody said, until somebody looks after them again.
create table left_alone (
    record_id bigint primary key references record, who text not null, at timestamptz not null
);
