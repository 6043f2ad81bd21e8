-- What one unit of another currency is worth in a ledger's own, from a day until the next. The code is `USD 2026-11-20`.
create table ledger_rate (
    ledger_id bigint not null references ledger,
    code      text not null,
    name      text not null,
    currency  text not null,
    day       date not null,
    rate      numeric not null,
    active    boolean not null,
    gone      boolean not null default false,
    hidden    boolean not null default false,
    findable  text generated always as (lower(code || ' ' || name)) stored,
    primary key (ledger_id, code)
);

-- What one part of a settlement, as it was frozen, takes off its document in the ledger's currency; a return gives it back.
create function relieved(part json) returns numeric language sql immutable parallel safe as $$
    select cast(split_part(part->>'base', ' ', 2) as numeric) + coalesce((
        select sum(cast(split_part(each->>'base', ' ', 2) as numeric)) from json_array_elements(part->'deductions') each), 0)
$$;
