-- By which programs tell Hullwork's changes from those of one that began again.
create table hullwork_feed (one boolean primary key default true check (one), begun uuid not null default gen_random_uuid());
insert into hullwork_feed default values;
