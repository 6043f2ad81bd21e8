-- A row of the crosswalk says one thing of a code: what stands for it, where income goes, which department it belongs to;
-- and when it was so. What was the case on some day is one predicate: set_at <= day and (ended_at is null or ended_at > day).
drop view crosswalk_use;
alter table crosswalk_row rename to crosswalk_row_before;
create table crosswalk_row (
    id        bigint generated always as identity primary key,
    route_id  bigint not null references route,
    kind      text not null,
    code      text not null,
    purpose   text not null,
    dimension text not null default '',
    target    text not null,
    -- rows of a code that were set together have one version
    version   int not null,
    set_by    text not null,
    set_at    timestamptz not null,
    ended_by  text not null default '',
    ended_at  timestamptz
);

with told as (
    select h.*, n.set_at as ended_at, coalesce(n.set_by, '') as ended_by
    from crosswalk_history h
    left join lateral (
        select n.set_at, n.set_by from crosswalk_history n
        where n.route_id = h.route_id and n.kind = h.kind and n.code = h.code and n.version > h.version
        order by n.version limit 1) n on true
    where not h.removed),
-- A line was named by the number of its document; from now on by its record, whatever its number becomes.
named as (
    select t.*, t.code as named from told t where t.kind <> 'LINE'
    union all
    select t.*, d.id || substring(t.code from '/[^/]*$') from told t
    join record d on d.route_id = t.route_id and regexp_replace(t.code, '/[^/]*$', '')
        = case when d.kind in ('invoice', 'credit-note') then '' else d.party_code || ' ' end || d.number
    where t.kind = 'LINE')
insert into crosswalk_row (route_id, kind, code, purpose, target, version, set_by, set_at, ended_by, ended_at)
select n.route_id, n.kind, n.named, said.purpose, said.target, n.version, n.set_by, n.set_at, n.ended_by, n.ended_at
from named n
cross join lateral (values
    ('COUNTERPART', n.counterpart, n.kind in ('PARTY', 'ITEM', 'TAX', 'PAYER')),
    (case when n.kind in ('ITEM', 'CATEGORY') then 'INCOME' when n.kind = 'SUPPLIER' then 'EXPENSE' else 'ACCOUNT' end,
        n.account, n.account <> '')) said (purpose, target, says)
where said.says
order by n.id;
drop table crosswalk_row_before;
drop table crosswalk_history;

create unique index crosswalk_row_now on crosswalk_row (route_id, kind, code, purpose, dimension) where ended_at is null;
create index crosswalk_row_of on crosswalk_row (route_id, kind, code, version);
create index crosswalk_row_target on crosswalk_row (target, route_id) where ended_at is null;

-- The ledger's values of its dimensions. Those of different dimensions may have one code: it is told with its dimension.
create table ledger_dimension (
    ledger_id      bigint not null references ledger,
    code           text not null,
    name           text not null,
    dimension      text not null,
    dimension_name text not null,
    value          text not null,
    active         boolean not null,
    gone           boolean not null default false,
    hidden         boolean not null default false,
    findable       text generated always as (lower(code || ' ' || name)) stored,
    primary key (ledger_id, code)
);

-- The projects and jobs that a source's records were for.
create table source_project (
    source_id bigint not null references source,
    code      text not null,
    primary key (source_id, code)
);

-- Which rows of crosswalks point to what a ledger owns, and the reference by which records say that they use the row.
create view crosswalk_use as
select c.route_id, r.ledger_id, c.kind, c.code,
    case when c.purpose = 'DIMENSION' then 'DIMENSION' when c.purpose <> 'COUNTERPART' then 'ACCOUNT'
        when c.kind = 'TAX' then 'TAX_CODE' else c.kind end as reference_kind,
    case when c.purpose = 'DIMENSION' then c.dimension || ' ' || c.target else c.target end as reference_code,
    lower(c.kind) || ':' || c.code as ref
from crosswalk_row c join route r on r.id = c.route_id
where c.ended_at is null and c.target <> '';
