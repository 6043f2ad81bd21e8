-- Much of a record is written again after it came: what the compiler says, what was paid, which version stands there. With
-- room on its page a new version of a row needs no new entries in fourteen indexes, as long as its state stays.
alter table record set (fillfactor = 85);

-- What is kept of each revision is read again with every change of a rule.
alter table record_revision alter column content set compression lz4;
