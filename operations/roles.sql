-- The three roles that Alcabala works with, each with no more than it needs. Run in Alcabala's database as a superuser, again
-- after every restore, and as often as wanted; what stands there already comes to belong to the owner.
--
--   alcabala_owner      owns the tables, and cannot sign in
--   alcabala_migration  signs in to change them at an upgrade, as the owner
--   alcabala_app        what the server works as: reads and writes, changes no table, and only adds to the trail
--
-- operations/roles runs it, with the passwords in the settings alcabala.app_password and alcabala.migration_password.
do $$
declare
    role text;
    thing record;
begin
    foreach role in array array['alcabala_owner', 'alcabala_migration', 'alcabala_app'] loop
        if not exists (select from pg_roles where rolname = role) then
            execute format('create role %I nologin', role);
        end if;
    end loop;
    grant alcabala_owner to alcabala_migration;
    execute format('alter role alcabala_migration login noinherit password %L', current_setting('alcabala.migration_password'));
    execute format('alter role alcabala_app login noinherit password %L', current_setting('alcabala.app_password'));
    execute format('alter database %I owner to alcabala_owner', current_database());
    execute format('revoke all on database %I from public', current_database());
    execute format('grant connect on database %I to alcabala_migration, alcabala_app', current_database());
    -- Sequences that belong to a column follow its table.
    for thing in
        select c.oid::regclass as name, c.relkind from pg_class c
        where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p', 'v', 'm', 'S') and c.relowner <> 'alcabala_owner'::regrole
            and not exists (select from pg_depend d where d.classid = 'pg_class'::regclass and d.objid = c.oid and d.deptype in ('e', 'i', 'a'))
    loop
        execute format('alter %s %s owner to alcabala_owner', case when thing.relkind = 'S' then 'sequence' else 'table' end, thing.name);
    end loop;
    for thing in
        select p.oid::regprocedure as name from pg_proc p
        where p.pronamespace = 'public'::regnamespace and p.proowner <> 'alcabala_owner'::regrole
            and not exists (select from pg_depend d where d.classid = 'pg_proc'::regclass and d.objid = p.oid and d.deptype = 'e')
    loop
        execute format('alter routine %s owner to alcabala_owner', thing.name);
    end loop;
end $$;
