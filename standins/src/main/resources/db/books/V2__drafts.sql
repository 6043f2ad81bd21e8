alter table inkwell_document
    add column status text not null default 'final' check (status in ('draft', 'final')),
    add column note text not null default '',
    add column to_be_emailed boolean not null default false;
