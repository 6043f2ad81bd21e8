import { describe, expect, it } from 'vitest';
import { afterEach } from 'vitest';
import {
  amount,
  day,
  follow,
  moment,
  money,
  moneys,
  plural,
  sum,
  together,
  totals,
  type Conventions,
} from './format';

const USUAL: Conventions = { days: 'DAY_MONTH', figures: 'COMMA_POINT', weekBegins: 'MONDAY', zone: 'UTC' };
afterEach(() => follow(USUAL));

describe('amounts', () => {
  it.each([
    ['1234567.5', '1,234,567.5'],
    ['0.00', '0.00'],
    ['-1234.56', '-1,234.56'],
    ['105', '105'],
    ['12345.678', '12,345.678'],
  ])('%s is shown as %s', (decimal, shown) => expect(amount(decimal)).toBe(shown));

  it('puts the sign before the currency', () => {
    expect(money('-1234.50', 'EUR')).toBe('-€1,234.50');
    expect(money('105', 'JPY')).toBe('JP¥105');
    expect(money('1.005', 'KWD')).toBe('KWD\u00a01.005');
  });

  it.each([
    [['0.10', '0.20'], '0.30'],
    [['1.00', '-1.01'], '-0.01'],
    [['90071992547409.91', '0.01'], '90071992547409.92'],
    [['105', '3'], '108'],
    [['1.005', '2'], '3.005'],
    [[], '0'],
  ])('adds %j exactly', (decimals, total) => expect(sum(decimals)).toBe(total));

  it('shows a day as the business writes it, with a year that is not this one', () => {
    const year = new Date().getFullYear();
    expect(day(`${year}-11-19`)).toBe('19 Nov');
    expect(day('2019-02-01')).toBe('1 Feb 2019');
    expect(day(null)).toBe('');
  });
});

describe('sums in several currencies', () => {
  const eur = (amount: string) => ({ currency: 'EUR', amount });
  const cad = (amount: string) => ({ currency: 'CAD', amount });

  it('are added up each by itself', () => {
    expect(together([eur('10.10'), cad('5.00'), eur('-0.20')])).toEqual([cad('5.00'), eur('9.90')]);
    expect(together([])).toEqual([]);
  });

  it('are said one after the other', () => {
    expect(moneys([cad('6661.30'), eur('1.00')])).toBe('CA$6,661.30 and €1.00');
    expect(totals([cad('6661.30'), eur('1.00')], 'EUR')).toBe('CA$6,661.30 and €1.00');
    expect(totals([cad('2.00')], 'EUR')).toBe('CA$2.00');
    expect(totals([eur('2.00')], 'EUR')).toBe('2.00');
    expect(moneys([eur('-1.00')])).toBe('-€1.00');
  });
});

describe('conventions', () => {
  it.each([
    ['COMMA_POINT', '-1,234.50'],
    ['POINT_COMMA', '-1.234,50'],
    ['SPACE_COMMA', '-1\u00a0234,50'],
    ['APOSTROPHE_POINT', '-1’234.50'],
  ] as const)('%s', (figures, written) => {
    follow({ ...USUAL, figures });
    expect(amount('-1234.50')).toBe(written);
  });

  it('say how a day is written, and where it is that day', () => {
    follow({ ...USUAL, days: 'MONTH_DAY' });
    expect(day('2019-02-01')).toBe('Feb 1, 2019');
    follow({ ...USUAL, days: 'ISO', zone: 'Asia/Tokyo' });
    expect(day('2019-02-01')).toBe('2019-02-01');
    expect(moment('2019-02-01T16:30:05Z')).toBe('2019-02-02, 01:30:05');
  });

  it('are no worse for a zone that this browser does not know', () => {
    follow({ ...USUAL, zone: 'Mars/Olympus' });
    expect(moment('2019-02-01T16:30:05Z')).toBe('1 Feb 2019, 16:30:05');
  });

  it('count as they add up', () => {
    follow({ ...USUAL, figures: 'POINT_COMMA' });
    expect(plural(1234, 'document')).toBe('1.234 documents');
  });
});
