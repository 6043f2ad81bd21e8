-- What is booked can be told apart by more than its account: by sites, by departments.
create table inkwell_dimension (
    code   text not null,
    name   text not null,
    value  text not null,
    title  text not null,
    active boolean not null default true,
    primary key (code, value)
);
alter table inkwell_line add column dimensions jsonb not null default '{}';
alter table inkwell_journal_line add column dimensions jsonb not null default '{}';
