-- Another number whenever the source has told of other parties or items, by which it is known that those in memory are
-- the same still.
alter table source add column catalogue_version bigint not null default 0;
