-- Each connection has its own address, and what else its kind asks for when it is set up. Those from before stood below one
-- address for all.
alter table source add column address text not null default '', add column answers jsonb not null default '{}';
alter table ledger add column address text not null default '', add column answers jsonb not null default '{}';
update source set address = desk;
update ledger set address = regexp_replace(desk, '/books/[^/]*$', '');
alter table source alter column system drop default;
alter table consent_request add column system text not null default 'inkwell', add column address text not null default '';
alter table consent_request alter column system drop default;
-- The same company is connected once at most; another system of its kind may have one of the same name.
drop index ledger_company;
create unique index ledger_company on ledger (system, address, company) where connected;
alter table consent_request add column answers jsonb not null default '{}';
