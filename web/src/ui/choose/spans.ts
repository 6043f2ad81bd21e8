import { today } from '../format';

const iso = (year: number, month: number, day: number) =>
  new Date(Date.UTC(year, month, day)).toISOString().slice(0, 10);

const months = (name: string, year: number, first: number, count: number) => ({
  name,
  from: iso(year, first, 1),
  to: iso(year, first + count, 0),
});

/** The spans that books are kept in, seen from today. */
export function spans(now = today()) {
  const year = Number(now.slice(0, 4));
  const month = Number(now.slice(5, 7)) - 1;
  const quarter = month - (month % 3);
  return [
    months('This month', year, month, 1),
    months('Last month', year, month - 1, 1),
    months('This quarter', year, quarter, 3),
    months('Last quarter', year, quarter - 3, 3),
    months('This year', year, 0, 12),
    months('Last year', year - 1, 0, 12),
  ];
}
