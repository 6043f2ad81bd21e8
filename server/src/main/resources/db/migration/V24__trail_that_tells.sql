-- Who did it, by a number that stays when names change.
alter table trail add column person_id bigint;
alter table trail disable trigger trail_is_append_only;
update trail t set person_id = p.id from person p
where p.name = t.who and (select count(*) from person o where o.name = t.who) = 1;
alter table trail enable trigger trail_is_append_only;
create trigger trail_is_not_emptied before truncate on trail
    for each statement execute function trail_is_append_only();

-- What stands on the trail is sealed block by block, each with the hash of the one before: whatever is changed afterwards
-- breaks the chain. Whoever could write the whole chain anew is found by an anchor that is kept elsewhere.
create table trail_block (
    id        bigint primary key,
    from_id   bigint not null,
    to_id     bigint not null,
    count     bigint not null,
    hash      bytea not null,
    sealed_at timestamptz not null default now()
);
create trigger trail_block_is_append_only before update or delete on trail_block
    for each row execute function trail_is_append_only();
create trigger trail_block_is_not_emptied before truncate on trail_block
    for each statement execute function trail_is_append_only();

-- Up to where no more rows will come, once those who were writing when that was noted have ended.
create table trail_watch (up_to bigint not null, writers text[] not null);
insert into trail_watch values (0, '{}');

-- What the last look at the whole chain found.
create table trail_checked (at timestamptz not null, ok boolean not null, says text not null);

create function trail_row_hash(t trail) returns bytea language sql stable as $$
    select sha256(convert_to(jsonb_build_array(t.id, (extract(epoch from t.at) * 1000000)::bigint, t.who, t.person_id, t.route_id,
        t.document_id, t.action, t.detail)::text, 'UTF8'))
$$;

create function trail_block_hash(before bytea, first bigint, last bigint) returns bytea language sql stable as $$
    select sha256(before || convert_to(first || '-' || last, 'UTF8')
        || coalesce((select string_agg(trail_row_hash(t), ''::bytea order by t.id) from trail t where t.id between first and last), ''))
$$;

create function trail_writers() returns text[] language sql volatile as $$
    select coalesce(array_agg(distinct virtualtransaction), '{}') from pg_locks
    where relation = 'trail'::regclass and mode = 'RowExclusiveLock' and pid <> pg_backend_pid()
$$;

-- Seals what has settled. Returns how many rows.
create function trail_seal() returns bigint language plpgsql as $$
declare
    watch trail_watch;
    last trail_block;
    rows bigint := 0;
begin
    select * into watch from trail_watch for update skip locked;
    if not found then
        return 0;
    end if;
    select * into last from trail_block order by id desc limit 1;
    if watch.up_to > coalesce(last.to_id, 0) and not watch.writers && trail_writers() then
        select count(*) into rows from trail where id > coalesce(last.to_id, 0) and id <= watch.up_to;
        insert into trail_block (id, from_id, to_id, count, hash)
        values (coalesce(last.id, 0) + 1, coalesce(last.to_id, 0) + 1, watch.up_to, rows,
            trail_block_hash(coalesce(last.hash, ''), coalesce(last.to_id, 0) + 1, watch.up_to));
        watch.up_to := 0;
    end if;
    if watch.up_to = 0 or watch.up_to <= coalesce(last.to_id, 0) then
        -- First how far it has come, then who may still be writing below that.
        update trail_watch set up_to = (select case when is_called then last_value else 0 end from trail_id_seq);
        update trail_watch set writers = trail_writers();
    end if;
    return rows;
end $$;

-- Whether the chain holds, and holds an anchor kept elsewhere.
create function trail_check(anchor_block bigint default null, anchor_hash text default null)
returns table (ok boolean, blocks bigint, rows bigint, says text) language plpgsql stable as $$
declare
    block trail_block;
    before bytea := '';
    expected bigint := 1;
    next_from bigint := 1;
    seen bigint := 0;
begin
    for block in select * from trail_block order by id loop
        if block.id <> expected or block.from_id <> next_from then
            return query select false, expected - 1, seen, format('block %s is missing', expected);
            return;
        end if;
        if block.count <> (select count(*) from trail where id between block.from_id and block.to_id) then
            return query select false, expected - 1, seen,
                format('of %s entries from %s to %s not all are there, or there are more', block.count, block.from_id, block.to_id);
            return;
        end if;
        if block.hash <> trail_block_hash(before, block.from_id, block.to_id) then
            return query select false, expected - 1, seen,
                format('an entry from %s to %s was changed after it was sealed', block.from_id, block.to_id);
            return;
        end if;
        if block.id = anchor_block and encode(block.hash, 'hex') <> lower(anchor_hash) then
            return query select false, expected - 1, seen, format('block %s is not the one that the anchor was taken of', block.id);
            return;
        end if;
        before := block.hash;
        seen := seen + block.count;
        expected := expected + 1;
        next_from := block.to_id + 1;
    end loop;
    if anchor_block >= expected then
        return query select false, expected - 1, seen, format('block %s, of which the anchor was taken, is not there', anchor_block);
        return;
    end if;
    return query select true, expected - 1, seen, 'the trail is whole';
end $$;

-- Statistics of a table are its owner's to take; the server asks for these.
create function analyze_pulled() returns void language sql security definer set search_path = public as 'analyze pulled (pull_id, kind, code)';
