-- Documents that people entered on a ledger go to the source of a route that brings them back. Why one stays there so
-- far and on which route, and what somebody said of it: that it is a new one, or that it is left there.
alter table entered_there add column route_id bigint references route;
alter table entered_there add column why text not null default '';
alter table entered_there add column said text not null default '' check (said in ('', 'new', 'left'));
create index entered_there_why on entered_there (route_id, why) where why <> '';
