-- When a customer or an item of the yard was last changed, and by whom: a person, or a program by the name it has.
create table hullwork_touched (
    type text not null,
    code text not null,
    field text not null,
    at timestamptz not null,
    by text not null,
    program boolean not null,
    primary key (type, code, field)
);
