-- What one part of a settlement, as it was frozen, takes off its document in its own currency: what its money is worth there.
create or replace function settled(part json) returns numeric language sql immutable parallel safe as $$
    select cast(split_part(coalesce(part->>'worth', part->>'money'), ' ', 2) as numeric) + coalesce((
        select sum(cast(split_part(each->>'amount', ' ', 2) as numeric)) from json_array_elements(part->'deductions') each), 0)
$$;
