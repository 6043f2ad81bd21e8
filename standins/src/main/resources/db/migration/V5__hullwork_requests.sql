-- What was answered under each key of another program.
create table hullwork_request (key text primary key, body jsonb not null);
