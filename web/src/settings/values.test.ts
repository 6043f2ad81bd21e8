import { describe, expect, it } from 'vitest';
import { changedRows, valueOf, type SettingJson } from './values';

const setting = (shape: string, value: string, says = value): SettingJson => ({
  setting: 'INVOICES_FIRST_NUMBER',
  section: 'NUMBERS',
  of: 'INVOICES',
  title: 'Next invoice number',
  does: 'Where the ledger begins.',
  shape,
  choices: [],
  value,
  says,
  standard: '',
  version: 0,
  setBy: '',
});

describe('what a setting says now', () => {
  it.each([
    ['day', 'all of them'],
    ['count', 'after its highest'],
    ['prefix', 'nothing'],
    ['bank-account', 'not set'],
    ['tax-code', 'not set'],
  ])('an empty %s is %s', (shape, said) => {
    expect(valueOf(setting(shape, ''))).toBe(said);
  });

  it('no cents may be missing until somebody says how many', () => {
    expect(valueOf({ ...setting('count', ''), setting: 'PAYMENT_DIFFERENCE' })).toBe('none');
  });

  it('a decided one is said in words', () => {
    expect(valueOf(setting('choice', 'off', 'switched off'))).toBe('switched off');
  });
});

describe('what of one side is not the same on the other', () => {
  it('marks rows that differ, and rows the other side does not have', () => {
    const here = [{ account: '1100' }, { account: '4010' }, { account: '2200' }];
    const there = [{ account: '1100' }, { account: '4020' }];
    expect(changedRows(here, there)).toEqual([false, true, true]);
    expect(changedRows(there, here)).toEqual([false, true]);
  });
});
