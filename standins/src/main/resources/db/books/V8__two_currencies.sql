-- What the money of a part settles, where its document is in another currency than the money.
alter table inkwell_allocation add column worth numeric(18, 2);
