create table trail (
    id          bigint generated always as identity primary key,
    at          timestamptz not null,
    who         text not null,
    route_id    bigint,
    document_id bigint,
    action      text not null,
    detail      jsonb not null
);
create index on trail (document_id, id);

create function trail_is_append_only() returns trigger language plpgsql as $$
begin
    raise exception 'the trail is append-only';
end $$;
create trigger trail_is_append_only before update or delete on trail
    for each row execute function trail_is_append_only();
