-- Whether what went in the place of what stood on the ledger has in it what that keeps; sent anew it has to have it again.
alter table dispatch add column keeps boolean not null default false;
