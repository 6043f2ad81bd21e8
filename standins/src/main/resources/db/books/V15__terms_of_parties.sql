-- The terms of payment that are usual with a party, by their code; empty for none.
alter table inkwell_party add column terms text not null default '';
