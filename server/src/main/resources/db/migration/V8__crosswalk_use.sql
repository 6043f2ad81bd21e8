-- Which rows of crosswalks point to what a ledger owns, and the reference by which documents say that they use the row.
create view crosswalk_use as
select c.route_id, r.ledger_id, c.kind, c.code, 'ACCOUNT' as reference_kind, c.account as reference_code,
    lower(c.kind) || ':' || c.code as ref
from crosswalk_row c join route r on r.id = c.route_id where c.account <> ''
union all
select c.route_id, r.ledger_id, c.kind, c.code, case c.kind when 'TAX' then 'TAX_CODE' else c.kind end, c.counterpart,
    lower(c.kind) || ':' || c.code
from crosswalk_row c join route r on r.id = c.route_id where c.counterpart <> '' and c.kind in ('TAX', 'PARTY', 'ITEM');
create index crosswalk_row_account on crosswalk_row (account, route_id);
create index crosswalk_row_counterpart on crosswalk_row (counterpart, route_id);
