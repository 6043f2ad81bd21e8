import { describe, expect, it } from 'vitest';
import type { LackingCause } from './lacking';
import { listedOf, placesOf } from './listed';
import type { HeldCause } from './queries';
import {
  deskOf,
  isAskedOf,
  linkOf,
  paymentsOf,
  remedyOf,
  setAsideOf,
  titleOf,
  type Warning,
} from './warnings';

const YARD = { source: 'Hullwork', ledger: 'Inkwell', toFiles: false };

const warning = (cause: string, more: Partial<Warning> = {}): Warning => ({
  cause,
  sentence: '',
  parts: [],
  otherwise: '',
  remedy: '',
  fixes: [],
  link: '',
  subjects: [],
  count: 2,
  sums: [{ currency: 'EUR', amount: '100.00' }],
  days: 1,
  since: '2026-11-29T09:00:00Z',
  ...more,
});

const held = (cause: string, amount: string, days: number): HeldCause => ({
  cause,
  said: '',
  count: 1,
  sums: [{ currency: 'EUR', amount }],
  days,
  records: [],
});

const lackingOf = (cause: string, days: number): LackingCause => ({
  cause,
  kind: 'PARTIES',
  count: 1,
  days,
  masters: [],
});

describe('causes of all kinds', () => {
  it('come oldest and dearest first, those of what was sent before the others', () => {
    const causes = listedOf(
      [held('changed-there', '50.00', 1), held('unconfirmed', '30.00', 10)],
      [],
      [lackingOf('party:not-taken', 2)],
      [warning('check:PERIOD')],
      YARD,
    );
    expect(causes.map((each) => each.cause)).toEqual([
      'unconfirmed',
      'changed-there',
      'party:not-taken',
      'check:PERIOD',
    ]);
    expect(causes[2]?.title).toBe('Parties that Hullwork did not take');
    expect(causes[3]?.says).toBe('2 records, €100.00, 1 day');
    expect(causes.map(placesOf)).toEqual([0, 0, 0, 1]);
  });

  it('say no count where none waits', () => {
    const [only] = listedOf([], [], [], [warning('check:TRAIL', { count: 0, sums: [] })], YARD);
    expect(only?.says).toBe('1 day');
  });
});

describe('a warning', () => {
  it.each([
    ['check:PERIOD', 'A period that is locked in Inkwell'],
    ['tax-rate-differs:V13', 'The sides have other rates for V13'],
    ['party-doubtful:C-9001', 'C-9001 may be somebody Inkwell has'],
    ['set-aside:feed', 'Hullwork began again'],
    ['set-aside:document', 'Cannot be used as it came: document'],
    ['something-new:X', 'something new'],
  ])('%s is called %s', (cause, title) => {
    expect(titleOf(warning(cause), YARD)).toBe(title);
  });

  it('says what to do: as the check does, else as its cause does on Release', () => {
    expect(remedyOf(warning('check:PERIOD', { remedy: 'Open it.' }), YARD)).toBe('Open it.');
    expect(remedyOf(warning('account-unusable:4010'), YARD)).toBe(
      'Map to another account, or make it active in Inkwell',
    );
    expect(linkOf(warning('check:NUMBERS', { link: '/connect' }), 'yard')).toBe('/connect');
    expect(linkOf(warning('account-unusable:4010'), 'yard')).toBe('');
  });

  it('leads to the ledger’s own screens where it is put right there', () => {
    expect(deskOf(warning('check:PERIOD'), 'http://books')).toBe('http://books');
    expect(deskOf(warning('tax-rate-differs:V13'), 'http://books')).toBe('http://books');
    expect(deskOf(warning('set-aside:document'), 'http://books')).toBe('');
  });

  it('asks of what was entered on the ledger whether it is there already', () => {
    const asked = warning('entered-there:may-be-here:IN-1');
    expect(isAskedOf(asked)).toBe(true);
    expect(titleOf(asked, YARD)).toBe('Entered in Inkwell, and perhaps known already');
    expect(isAskedOf(warning('entered-there:tax-unknown:E0'))).toBe(false);
    expect(titleOf(warning('entered-there:party-unknown'), YARD)).toBe('Entered in Inkwell, and stays there');
  });

  it('knows the two payments and the kind of record that it is about', () => {
    expect(paymentsOf(warning('payment-twice:12-15'))).toEqual({ ours: 12, theirs: 15 });
    expect(paymentsOf(warning('check:PERIOD'))).toBeUndefined();
    expect(setAsideOf(warning('set-aside:document'))).toBe('document');
    expect(setAsideOf(warning('payment-twice:12-15'))).toBeUndefined();
  });
});
