-- What takes a posted batch back is a batch of its own; each of its dispatches names the one that it takes back.
alter table batch add column undoes bigint references batch;
create index batch_undoes on batch (undoes) where undoes is not null;
alter table dispatch add column undoes bigint references dispatch;
-- Once at most.
create unique index dispatch_undone on dispatch (undoes) where outcome in ('queued', 'sending', 'unconfirmed', 'posted');
