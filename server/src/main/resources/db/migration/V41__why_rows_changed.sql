-- Why a row was set, and why it was taken away, as far as somebody said.
alter table crosswalk_row add column note text not null default '';
alter table crosswalk_row add column ended_note text not null default '';

-- What was changed last.
create index crosswalk_row_set on crosswalk_row (route_id, set_at);
create index crosswalk_row_ended on crosswalk_row (route_id, ended_at) where ended_at is not null;

-- What waits in the currency of the books is added up from the index alone.
drop index record_summary;
create index record_summary on record (route_id, state) include (gross, kind, currency);
