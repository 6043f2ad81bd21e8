-- Few are: they are gathered on Resolve without a walk through all that wait.
create index record_unreached on record (route_id) where outcome = 'unreached';
