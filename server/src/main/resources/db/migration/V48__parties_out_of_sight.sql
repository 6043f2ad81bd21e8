-- Parties that nobody needs to see in lists; one that holds something up is seen all the same.
alter table source_party add column hidden boolean not null default false;
