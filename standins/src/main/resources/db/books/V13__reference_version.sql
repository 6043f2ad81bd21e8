-- What the feed says so that nobody reads all masters and settings again who has them as they are.
create table inkwell_reference (one boolean primary key default true check (one), version bigint not null default 1);
insert into inkwell_reference default values;

create function inkwell_reference_changed() returns trigger language plpgsql as $$
begin
    update inkwell_reference set version = version + 1;
    return null;
end $$;

do $$
declare
    kept text;
begin
    foreach kept in array array['setting', 'account', 'tax_code', 'party', 'item', 'dimension', 'rate', 'terms', 'field'] loop
        execute format('create trigger reference_changed after insert or update or delete or truncate on inkwell_%s
            for each statement execute function inkwell_reference_changed()', kept);
    end loop;
end $$;
