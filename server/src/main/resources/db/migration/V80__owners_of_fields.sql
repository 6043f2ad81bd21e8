-- Of what was changed on the ledger, a document that goes again keeps what the route says is the ledger's.
alter table dispatch add column ruled boolean not null default false;
