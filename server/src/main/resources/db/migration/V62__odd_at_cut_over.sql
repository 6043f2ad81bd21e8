-- Which of the ledger's documents could not be understood, and why: the first of them.
alter table cut_over add column odd jsonb not null default '[]';
