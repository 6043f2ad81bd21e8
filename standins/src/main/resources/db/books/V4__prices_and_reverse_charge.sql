-- Quantity by price and adjustment give the amount; a price is for one unit, with as many decimals as it needs.
alter table inkwell_line
    alter column quantity type numeric(30, 12),
    alter column unit_price type numeric(30, 12),
    add column adjustment numeric(18, 2) not null default 0;
update inkwell_line set adjustment = amount - round(quantity * unit_price, 2);

-- A code may book its tax as owed and as reclaimed at once; what of it may not be reclaimed is cost.
alter table inkwell_tax_code
    add column both_sides boolean not null default false,
    add column deductible numeric(6, 2) not null default 100;
