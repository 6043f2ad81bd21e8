-- Tells the server that this is an older state of its database, which outside systems may be ahead of.
create table if not exists restoration (at timestamptz not null, taken_up_at timestamptz);
insert into restoration (at) values (now());
alter table restoration owner to alcabala_owner;
