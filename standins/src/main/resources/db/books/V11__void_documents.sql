-- What is void keeps its number and its reference, and others may take them.
drop index inkwell_number_of_sale;
drop index inkwell_number_of_supplier;
create unique index inkwell_number_of_sale on inkwell_document (number) where kind in ('invoice', 'credit-note') and status <> 'void';
create unique index inkwell_number_of_supplier on inkwell_document (party, number)
    where kind in ('bill', 'supplier-credit') and status <> 'void';
alter table inkwell_document drop constraint inkwell_document_status_check;
alter table inkwell_document add constraint inkwell_document_status_check check (status in ('draft', 'final', 'void'));
