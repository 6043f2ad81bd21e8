-- What invoices in a file lack that their standard asks for.
alter table batch_layout add column gaps jsonb not null default '[]';
