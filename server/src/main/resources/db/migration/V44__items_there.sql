-- Characters that the ledger takes in no name of an item.
alter table ledger add column name_forbids text not null default '';

-- How an item is named there is no code of the ledger's.
create or replace view crosswalk_use as
select c.route_id, r.ledger_id, c.kind, c.code,
    case when c.purpose = 'DIMENSION' then 'DIMENSION' when c.purpose <> 'COUNTERPART' then 'ACCOUNT'
        when c.kind = 'TAX' then 'TAX_CODE' else c.kind end as reference_kind,
    case when c.purpose = 'DIMENSION' then c.dimension || ' ' || c.target else c.target end as reference_code,
    lower(c.kind) || ':' || c.code as ref
from crosswalk_row c join route r on r.id = c.route_id
where c.ended_at is null and c.target <> '' and c.purpose <> 'NAME';

-- All items of a ledger written anew from the source: listed first, then done row by row, and gone on with wherever
-- it was left.
create table item_rewriting (
    id       bigint generated always as identity primary key,
    route_id bigint not null references route,
    made_by  text not null,
    made_at  timestamptz not null,
    state    text not null default 'LISTED' check (state in ('LISTED', 'RUNNING', 'STOPPED', 'DONE')),
    -- why it stopped; empty when it did not
    reason   text not null default '',
    begun_by text not null default '',
    begun_at timestamptz
);
create index item_rewriting_of_route on item_rewriting (route_id, id);

create table item_rewriting_row (
    item_rewriting_id bigint not null references item_rewriting on delete cascade,
    -- the source's
    code              text not null,
    -- the ledger's
    there             text not null,
    name_before       text not null,
    name_after        text not null,
    account_before    text not null,
    account_after     text not null,
    state             text not null default 'OPEN' check (state in ('OPEN', 'DONE', 'LEFT')),
    -- why it was left; empty when it was not
    sentence          text not null default '',
    primary key (item_rewriting_id, there)
);
