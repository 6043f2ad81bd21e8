-- Terms of payment by what they compute, and fields that a business added to its documents.
alter table ledger_term add column rule jsonb, add column words text not null default '';
update ledger_term set words = days || ' days', rule = jsonb_build_object('days', days, 'endOfMonth', false, 'months', 0,
    'dayOfMonth', 0, 'daysAfter', 0, 'discount', 0, 'discountDays', 0);
alter table ledger_term alter column rule set not null, drop column days;

create table ledger_field (
    ledger_id bigint not null references ledger, code text not null, name text not null, body jsonb not null,
    active boolean not null, gone boolean not null default false, hidden boolean not null default false,
    findable text generated always as (lower(code || ' ' || name)) stored,
    primary key (ledger_id, code)
);
create table source_terms (
    source_id bigint not null references source, code text not null, name text not null,
    -- null where it is known only from documents
    rule jsonb,
    primary key (source_id, code)
);
create table source_field (
    source_id bigint not null references source, code text not null, name text not null, body jsonb not null,
    primary key (source_id, code)
);
create table source_choice (
    -- what documents say in a field, and what the source offers there: as crosswalk rows name it
    source_id bigint not null references source, code text not null, name text not null,
    primary key (source_id, code)
);

-- What a field of a document came to say on the ledger and its source is still to be told.
create table field_return (
    record_id bigint not null references record, field text not null, value text not null, asked_at timestamptz not null,
    tries int not null default 0, next_at timestamptz not null,
    -- why it was not taken the last time; empty before
    reason text not null default '',
    primary key (record_id, field)
);
create index field_return_due on field_return (next_at);

create or replace view crosswalk_use as
select c.route_id, r.ledger_id, c.kind, c.code,
    case when c.purpose = 'DIMENSION' then 'DIMENSION' when c.purpose <> 'COUNTERPART' then 'ACCOUNT'
        when c.kind = 'TAX' then 'TAX_CODE' when c.kind = 'TERMS' then 'TERM' else c.kind end as reference_kind,
    case when c.purpose = 'DIMENSION' then c.dimension || ' ' || c.target else c.target end as reference_code,
    lower(c.kind) || ':' || c.code as ref
from crosswalk_row c join route r on r.id = c.route_id
where c.ended_at is null and c.target <> '' and c.purpose not in ('NAME', 'FORMAT', 'DIRECTION') and c.kind <> 'CHOICE';

-- What an item is, and in what it is sold.
alter table source_item add column item_kind text not null default 'GOODS', add column unit text not null default '';
update source_item set item_kind = kind;
