-- Entries of these indexes are first put on a list, which is sorted in all at once: much cheaper than one by one, but
-- whoever searches reads the list too. So it may grow by what one change of a rule touches, and is emptied soon after.
alter index record_find set (fastupdate = on, gin_pending_list_limit = 131072);
alter index record_refs set (fastupdate = on, gin_pending_list_limit = 65536);
alter index record_refs_posted set (fastupdate = on, gin_pending_list_limit = 65536);

create function sort_in_index_entries() returns table (find bigint, refs bigint, posted bigint) language sql security definer set search_path = public as $$
    select gin_clean_pending_list('record_find'), gin_clean_pending_list('record_refs'),
        gin_clean_pending_list('record_refs_posted')
$$;

-- What is not on a ledger has no reference there, and needs no place in the index.
drop index record_ledger_ref;
create index record_ledger_ref on record (ledger_ref) where ledger_ref is not null;
