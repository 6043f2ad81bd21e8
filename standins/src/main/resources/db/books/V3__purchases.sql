-- Bills and supplier credits beside invoices and credit notes; whoever is bought from is a party as well.
alter table inkwell_customer rename to inkwell_party;
alter table inkwell_document rename column customer to party;
alter table inkwell_document rename column receivable_account to control_account;
alter table inkwell_tax_code add column input_account text references inkwell_account;
-- A supplier's numbers are the supplier's own; two suppliers may use the same one.
alter table inkwell_document drop constraint inkwell_document_number_key;
create unique index inkwell_number_of_sale on inkwell_document (number) where kind in ('invoice', 'credit-note');
create unique index inkwell_number_of_supplier on inkwell_document (party, number) where kind in ('bill', 'supplier-credit');
