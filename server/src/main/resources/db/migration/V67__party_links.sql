-- Parties of a source that stand for one of a ledger, each with its baseline: a half for each side (synchronisation).
create table party_link (
    route_id bigint not null references route, code text not null, counterpart text not null,
    source_half jsonb not null default '{}', ledger_half jsonb not null default '{}',
    -- Fields on which the two have never agreed; null for all of them.
    unsettled text[],
    -- What both sides had and what was decided when they were last merged.
    merged_as text not null default '', linked_at timestamptz not null, version int not null default 0,
    primary key (route_id, code)
);
create index on party_link (counterpart, linked_at);
-- Fields of theirs about which a person is asked.
create table party_question (
    route_id bigint not null, code text not null, field text not null, verdict text not null, decided_by text not null,
    sides text[] not null, why text not null, reason text not null default '', since timestamptz not null,
    primary key (route_id, code, field),
    foreign key (route_id, code) references party_link on delete cascade on update cascade
);
-- What a side is to be told of a party: kept before it is asked, until it answers.
create table party_write (
    route_id bigint not null, code text not null, side text not null, key uuid not null,
    standing jsonb not null, version text not null, wanted jsonb not null,
    -- The fields written, each with what the other side's half is once it is taken; the other's stays where there is none.
    fields jsonb not null,
    who text not null, asked_at timestamptz not null, tries int not null default 0, next_at timestamptz not null,
    primary key (route_id, code, side),
    foreign key (route_id, code) references party_link on delete cascade on update cascade
);
-- Found again by each run: whose documents have crossed since parties were last linked.
create index record_crossed on record (route_id, crossed_at) where crossed_at is not null;
