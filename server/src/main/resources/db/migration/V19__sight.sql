-- Whose documents an operations person sees: those of a source, or with a site only those of that site (domain,
-- section 9).
create table sight (
    person_id bigint not null references person,
    source_id bigint not null references source,
    site      text not null default '',
    primary key (person_id, source_id, site)
);
-- Until now they saw all.
insert into sight (person_id, source_id) select p.id, s.id from person p cross join source s where p.role = 'operations';
