-- A company may have Inkwell decide what is taxed and how much: its lines then say only whether they are taxable.
alter table inkwell_line add column taxable boolean;
