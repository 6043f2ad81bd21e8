-- What was there already when it was decided that its kind goes by itself, and only from the next one on: it waits for
-- somebody to send it.
create table held_back (
    record_id bigint primary key references record, who text not null, at timestamptz not null
);
