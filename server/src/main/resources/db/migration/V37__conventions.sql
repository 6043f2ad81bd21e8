-- How dates and figures are written: once for the business, and for each person what she wants otherwise.
create table convention (
    person_id   bigint unique references person,
    days        text check (days in ('DAY_MONTH', 'MONTH_DAY', 'ISO')),
    figures     text check (figures in ('COMMA_POINT', 'POINT_COMMA', 'SPACE_COMMA', 'APOSTROPHE_POINT')),
    week_begins text check (week_begins in ('MONDAY', 'SATURDAY', 'SUNDAY')),
    zone        text
);
create unique index convention_of_the_business on convention ((person_id is null)) where person_id is null;
