-- What of an allocation is kept back until later; negative where it is released, or came back.
alter table allocation add column retained bigint not null default 0;

-- What one part of a settlement, as it was frozen, takes off its document in its own currency.
create function settled(part json) returns numeric language sql immutable parallel safe as $$
    select cast(split_part(part->>'money', ' ', 2) as numeric) + coalesce((
        select sum(cast(split_part(each->>'amount', ' ', 2) as numeric)) from json_array_elements(part->'deductions') each), 0)
$$;
