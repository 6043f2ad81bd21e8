-- A route leads one site of its source, or with an empty site all that have no route of their own. Documents of a site
-- without any route wait on a route that leads nowhere.
alter table route alter column ledger_id drop not null;
create unique index route_of_site on route (source_id, site) where ledger_id is not null;
create unique index route_nowhere on route (source_id) where ledger_id is null;

alter table document
    add column source_id bigint references source,
    add column site text not null default '',
    add column milestones text[] not null default '{}';
update document d set source_id = r.source_id, site = r.site,
    milestones = case when d.approved then array['APPROVED'] else '{}' end
from route r where r.id = d.route_id;
alter table document alter column source_id set not null;
alter table document drop constraint document_route_id_source_ref_key;
create unique index document_of_source on document (source_id, source_ref);
create index document_site on document (source_id, site) where outcome is distinct from 'posted';

-- Sites that a source has told of, or whose documents came.
create table source_site (
    source_id bigint not null references source,
    name      text not null,
    primary key (source_id, name)
);
insert into source_site (source_id, name) select distinct source_id, site from document where site <> '';
