-- When a dispatch last moved, so that whoever watches a batch asks only for what has changed.
alter table dispatch add column moved_at timestamptz not null default now();

create function dispatch_moves() returns trigger language plpgsql as $$
begin
    new.moved_at := clock_timestamp();
    return new;
end $$;

create trigger dispatch_moves before update on dispatch for each row execute function dispatch_moves();
