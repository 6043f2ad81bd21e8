-- When a pull last gave a sign of life: one whose server died is not waited for.
alter table reference_pull add column seen_at timestamptz not null default now();
