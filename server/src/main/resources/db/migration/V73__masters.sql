-- Items are linked, asked about and written as parties are.
alter table party_question drop constraint party_question_route_id_code_fkey, drop constraint party_question_pkey;
alter table party_write drop constraint party_write_route_id_code_fkey, drop constraint party_write_pkey;
alter table party_link drop constraint party_link_pkey;
alter table party_link rename to master_link;
alter table party_question rename to master_question;
alter table party_write rename to master_write;
-- What is linked: PARTIES or ITEMS.
alter table master_link add column kind text not null default 'PARTIES';
alter table master_question add column kind text not null default 'PARTIES';
alter table master_write add column kind text not null default 'PARTIES';
alter table master_link alter column kind drop default, add primary key (route_id, kind, code);
alter table master_question alter column kind drop default, add primary key (route_id, kind, code, field),
    add foreign key (route_id, kind, code) references master_link on delete cascade on update cascade;
alter table master_write alter column kind drop default, add primary key (route_id, kind, code, side),
    add foreign key (route_id, kind, code) references master_link on delete cascade on update cascade;
