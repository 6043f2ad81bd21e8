-- By what a record is found stands beside it: its state changes often, its number and its party hardly ever, and the
-- index over parts of a text is the dearest that a changed row would have to be entered in anew.
drop index record_find;
create table record_find (
    record_id bigint primary key,
    text text not null
);

create function record_find_text(number text, party_name text, ledger_number text) returns text
    language sql immutable parallel safe as $$
    select lower(number || ' ' || party_name || ' ' || coalesce(ledger_number, ''))
$$;

insert into record_find select id, record_find_text(number, party_name, ledger_number) from record;
alter table record drop column find_text;
alter table record_find add foreign key (record_id) references record on delete cascade;
create index record_find_text on record_find using gin (text gin_trgm_ops)
    with (fastupdate = on, gin_pending_list_limit = 131072);

create function record_find_new() returns trigger language plpgsql as $$
begin
    insert into record_find select id, record_find_text(number, party_name, ledger_number) from arrived;
    return null;
end
$$;
create trigger record_find_new after insert on record referencing new table as arrived
    for each statement execute function record_find_new();

create function record_find_changed() returns trigger language plpgsql as $$
begin
    update record_find set text = record_find_text(new.number, new.party_name, new.ledger_number)
        where record_id = new.id;
    return null;
end
$$;
create trigger record_find_changed after update of number, party_name, ledger_number on record for each row
    when ((old.number, old.party_name, old.ledger_number) is distinct from (new.number, new.party_name, new.ledger_number))
    execute function record_find_changed();

create or replace function sort_in_index_entries() returns table (find bigint, refs bigint, posted bigint)
    language sql security definer set search_path = public as $$
    select gin_clean_pending_list('record_find_text'), gin_clean_pending_list('record_refs'),
        gin_clean_pending_list('record_refs_posted')
$$;

-- Asked by site is only when the ways of a source change, and then of all that wait.
drop index record_site;
