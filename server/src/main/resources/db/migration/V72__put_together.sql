-- Of what went in the place of what stood on the ledger and has in it what that keeps: which fields both had changed and
-- stay as they are there. Null where it went as its source has it.
alter table dispatch add column keeps text[];
-- Which fields stay as they were changed there until a person says what becomes of that; the baseline of these is as before.
alter table dispatch add column asks text[] not null default '{}';
