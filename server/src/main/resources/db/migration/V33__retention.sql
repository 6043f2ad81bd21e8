-- What of an allocation is kept back until later; negative where it is released, or came back.
alter table allocation add column retained bigint not null default 0;
