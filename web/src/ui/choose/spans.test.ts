import { describe, expect, it } from 'vitest';
import { spans } from './spans';

const on = (day: string) =>
  Object.fromEntries(spans(day).map(({ name, from, to }) => [name, `${from} ${to}`]));

describe('spans that books are kept in', () => {
  it('are whole months, quarters and years', () => {
    expect(on('2026-11-27')).toEqual({
      'This month': '2026-11-01 2026-11-30',
      'Last month': '2026-10-01 2026-10-31',
      'This quarter': '2026-10-01 2026-12-31',
      'Last quarter': '2026-07-01 2026-09-30',
      'This year': '2026-01-01 2026-12-31',
      'Last year': '2025-01-01 2025-12-31',
    });
  });

  it('go back over the turn of the year, and know February', () => {
    const january = on('2028-01-31');
    expect(january['Last month']).toBe('2027-12-01 2027-12-31');
    expect(january['Last quarter']).toBe('2027-10-01 2027-12-31');
    expect(on('2028-03-01')['Last month']).toBe('2028-02-01 2028-02-29');
  });
});
