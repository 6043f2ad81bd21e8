import { describe, expect, it } from 'vitest';
import {
  daysSaid,
  figureSaid,
  interval,
  intervalSaid,
  later,
  minutesOf,
  oddSaid,
  ofSaid,
  tookSaid,
  WEEK,
  type Run,
} from './words';

const run: Run = {
  id: 1,
  origin: 'hand',
  who: 'M. Ferro',
  missed: 0,
  resumed: 0,
  startedAt: '2026-11-29T08:00:00Z',
  finishedAt: '2026-11-29T08:00:03Z',
  state: 'done',
  sentence: '',
  records: 0,
  number: '',
};

describe('what a run is of', () => {
  it.each([
    [{}, ''],
    [{ records: 1, number: 'HW-7' }, 'HW-7'],
    [{ records: 3, number: 'HW-7' }, 'HW-7 and 2 more'],
    [{ carried: 'PAYMENTS_OUT' as const }, 'Payments out'],
  ])('%o is said as %s', (of, says) => {
    expect(ofSaid({ ...run, ...of })).toBe(says);
  });
});

describe('a schedule', () => {
  it.each([
    [WEEK, 'every day'],
    [WEEK.slice(0, 5), 'Mon to Fri'],
    [['SUNDAY', 'TUESDAY'] as const, 'Tue, Sun'],
    [['MONDAY', 'TUESDAY', 'THURSDAY'] as const, 'Mon, Tue, Thu'],
    [['FRIDAY'] as const, 'Fri'],
  ])('on %s is %s', (days, says) => {
    expect(daysSaid(days)).toBe(says);
  });

  it.each([
    [5, 'every 5 minutes'],
    [60, 'every hour'],
    [90, 'every 90 minutes'],
    [1440, 'every day'],
    [40320, 'every 4 weeks'],
  ])('of %i minutes is said %s, and is the same again', (minutes, says) => {
    expect(intervalSaid(minutes)).toBe(says);
    const { count, unit } = interval(minutes);
    expect(minutesOf(count, unit)).toBe(minutes);
  });

  it('is postponed by minutes', () => {
    expect(later('2026-11-29T23:30:00Z', 60)).toBe('2026-11-30T00:30:00.000Z');
  });
});

describe('a run', () => {
  it('says how long it took', () => {
    expect(tookSaid(run)).toBe('3 s');
    expect(tookSaid({ ...run, finishedAt: '2026-11-29T08:01:00Z' })).toBe('1 min 0 s');
    expect(tookSaid({ startedAt: run.startedAt })).toBe('');
  });

  it('says what was missed, and that it was gone on with', () => {
    expect(oddSaid(run)).toBe('');
    expect(oddSaid({ ...run, missed: 1 })).toBe('stands for 1 more that was planned and did not take place');
    expect(oddSaid({ ...run, missed: 2, resumed: 1 })).toBe(
      'stands for 2 more that were planned and did not take place; gone on with once after its server had ended',
    );
  });

  it('names its figures by the sides', () => {
    const sides = { source: 'Hullwork', ledger: 'Inkwell' };
    expect(figureSaid('CHANGED_ON_LEDGER', sides)).toBe('Changed in Inkwell');
    expect(figureSaid('CANCELLED', sides)).toBe('Cancelled');
  });
});
