-- Whether what the ledger made of a document was noted for the fields of its source that are told of it.
alter table dispatch add column told_back boolean not null default false;
