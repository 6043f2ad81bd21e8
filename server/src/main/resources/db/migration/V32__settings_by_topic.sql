-- A setting is a topic, decided once for the route or for each kind of record: not a name for each pair.
alter table route_setting add column decided_for text not null default 'EVERYTHING';
alter table route_setting_history add column decided_for text not null default 'EVERYTHING';

create function pg_temp.decided_for(setting text) returns text language sql as $$
    select case
        when setting = 'NEXT_INVOICE' then 'INVOICES'
        when setting = 'NEXT_CREDIT_NOTE' then 'CREDIT_NOTES'
        else coalesce(substring(setting from '^(INVOICES|CREDIT_NOTES|BILLS|SUPPLIER_CREDITS|PAYMENTS_OUT|PAYMENTS)(?:_TRIGGER|_CUT_OFF|_WINNER)?$'),
            'EVERYTHING') end
$$;
create function pg_temp.topic(setting text) returns text language sql as $$
    select case
        when pg_temp.decided_for(setting) = 'EVERYTHING' then setting
        when setting like 'NEXT_%' then 'FIRST_NUMBER'
        else coalesce(substring(setting from '_(TRIGGER|CUT_OFF|WINNER)$'), 'DIRECTION') end
$$;
alter table route_setting drop constraint route_setting_pkey;
update route_setting set decided_for = pg_temp.decided_for(setting), setting = pg_temp.topic(setting);
update route_setting_history set decided_for = pg_temp.decided_for(setting), setting = pg_temp.topic(setting);

alter table route_setting rename column setting to topic;
alter table route_setting_history rename column setting to topic;
alter table route_setting alter column decided_for drop default;
alter table route_setting_history alter column decided_for drop default;
alter table route_setting add primary key (route_id, topic, decided_for);
drop index route_setting_history_route_id_setting_id_idx;
create index route_setting_history_of on route_setting_history (route_id, topic, decided_for, id);
