import { describe, expect, it } from 'vitest';
import type { SettingJson } from '../settings/values';
import { fatesOf } from './lacks';
import {
  aboutFields,
  aboutRecords,
  allOf,
  changed,
  isOfTable,
  leaves,
  listOf,
  markOf,
  ownedOf,
  read,
  rowOf,
  settingsOf,
  valueOf,
  wayOfMaster,
  whenNeeded,
  written,
} from './rows';

const setting = (
  name: string,
  of: SettingJson['of'],
  section: SettingJson['section'],
  value = '',
): SettingJson => ({
  setting: name,
  section,
  of,
  title: name,
  does: '',
  shape: 'choice',
  choices: [],
  value,
  says: value,
  standard: '',
  version: 0,
  setBy: '',
});

const ALL = [
  setting('SALES_TAX', 'EVERYTHING', 'TAX'),
  setting('CUSTOMERS', 'EVERYTHING', 'CROSSING'),
  setting('NEW_PARTIES', 'EVERYTHING', 'CROSSING'),
  setting('INVOICES', 'INVOICES', 'CROSSING', 'to-ledger'),
  setting('INVOICES_TRIGGER', 'INVOICES', 'CROSSING', 'batch'),
  setting('INVOICES_CUT_OFF', 'INVOICES', 'CROSSING'),
  setting('INVOICES_FIRST_NUMBER', 'INVOICES', 'NUMBERS'),
  setting('INVOICES_ARRIVAL', 'INVOICES', 'DOCUMENT'),
  setting('INVOICES_SALES_TAX', 'INVOICES', 'TAX'),
  setting('PAYMENTS', 'PAYMENTS', 'CROSSING', 'from-ledger'),
  setting('ARRIVAL', 'EVERYTHING', 'DOCUMENT'),
];
const named = (name: string) => ALL.find((each) => each.setting === name) as SettingJson;

describe('the settings of a row', () => {
  it('are the four of its way, and what shapes one', () => {
    const row = settingsOf('INVOICES', ALL);
    expect(row.direction?.setting).toBe('INVOICES');
    expect(row.trigger?.setting).toBe('INVOICES_TRIGGER');
    expect(row.winner).toBeUndefined();
    expect(row.shape.map((each) => each.setting)).toEqual(['INVOICES_ARRIVAL', 'INVOICES_SALES_TAX']);
  });

  it('of masters are what concerns all kinds', () => {
    expect(settingsOf('PARTIES', ALL).shape.map((each) => each.setting)).toEqual([
      'CUSTOMERS',
      'NEW_PARTIES',
    ]);
    expect(settingsOf('ITEMS', ALL).direction).toBeUndefined();
  });

  it('are not in the list of settings beside it', () => {
    expect(ALL.filter((each) => !isOfTable(each)).map((each) => each.setting)).toEqual([
      'SALES_TAX',
      'INVOICES_FIRST_NUMBER',
      'ARRIVAL',
    ]);
  });

  it.each([
    ['INVOICES', 'INVOICES'],
    ['PAYMENTS_OUT_CUT_OFF', 'PAYMENTS_OUT'],
    ['PAYMENTS_CUT_OFF', 'PAYMENTS'],
    ['CUSTOMERS', 'PARTIES'],
    ['LINE_KIND', 'ITEMS'],
    ['PARTIES_OWNER_OF_NAME', 'PARTIES'],
    ['PARTIES', 'PARTIES'],
  ])('%s is decided on %s', (name, row) => {
    expect(rowOf(name)).toBe(row);
  });
});

describe('what one proposes', () => {
  it('is in the address as it was, an empty value too', () => {
    const changes = { INVOICES_TRIGGER: 'approved', INVOICES_CUT_OFF: '' };
    expect(read(written(changes))).toEqual(changes);
    expect(read('')).toEqual({});
  });

  it('is no change once it is as decided', () => {
    const trigger = named('INVOICES_TRIGGER');
    const changes = changed({}, trigger, 'approved');
    expect(valueOf(trigger, changes)).toBe('approved');
    expect(changed(changes, trigger, 'batch')).toEqual({});
  });
});

describe('whose a field is', () => {
  it('is counted as it would be', () => {
    const due = setting('INVOICES_OWNER_OF_DUE_DATE', 'INVOICES', 'CROSSING', 'nobody');
    const lines = setting('INVOICES_OWNER_OF_LINES', 'INVOICES', 'CROSSING', 'source');
    const row = settingsOf('INVOICES', [...ALL, due, lines]);
    expect(row.owners).toEqual([due, lines]);
    expect(ownedOf(row, {})).toBe(1);
    expect(ownedOf(row, { INVOICES_OWNER_OF_DUE_DATE: 'ledger' })).toBe(2);
  });
});

describe('of parties', () => {
  const own = [
    setting('PARTIES', 'PARTIES', 'CROSSING', 'none'),
    setting('PARTIES_WINNER', 'PARTIES', 'CROSSING', 'ask'),
    setting('PARTIES_OWNER_OF_NAME', 'PARTIES', 'CROSSING', 'nobody'),
    setting('PARTIES_SOURCE_LACKS', 'PARTIES', 'CROSSING', 'leave'),
  ];

  it('it is decided which way changes go, who wins and whose a field is', () => {
    const row = settingsOf('PARTIES', [...ALL, ...own]);
    expect(allOf(row).map((each) => each.setting)).toEqual([
      'PARTIES',
      'PARTIES_WINNER',
      'PARTIES_OWNER_OF_NAME',
      'CUSTOMERS',
      'NEW_PARTIES',
      'PARTIES_SOURCE_LACKS',
    ]);
  });

  it('what becomes of those that only the ledger has is said part by part', () => {
    const yard = { source: 'Hullwork' };
    expect(fatesOf({ possible: true, create: 2, ask: 1, stay: 0, left: 0 }, yard)).toEqual([
      '2 would be created in Hullwork',
      '1 would be asked about',
    ]);
    expect(fatesOf({ possible: true, create: 0, ask: 0, stay: 1, left: 1 }, yard)).toEqual(['1 stays there']);
    expect(fatesOf({ possible: false, create: 0, ask: 0, stay: 0, left: 0 }, yard)).toEqual([]);
  });

  it('what concerns their fields is apart from what concerns records', () => {
    const changes = { PARTIES: 'both', CUSTOMERS: 'project' };
    expect(aboutFields(changes, 'PARTIES')).toEqual({ PARTIES: 'both' });
    expect(aboutRecords(changes)).toEqual({ CUSTOMERS: 'project' });
  });

  it.each([
    ['none', 'to-ledger'],
    ['to-ledger', 'to-ledger'],
    ['from-ledger', 'both'],
    ['both', 'both'],
  ])('new ones go to the ledger, and changes %s: %s', (changes, way) => {
    expect(wayOfMaster(changes)).toBe(way);
  });
});

describe('a way', () => {
  it.each([
    ['to-ledger', 'once approved'],
    ['from-ledger', 'entered in Inkwell'],
    ['both', 'entered on either side'],
    ['none', '–'],
  ])('%s: %s', (direction, says) => {
    expect(leaves(direction, 'approved', 'Inkwell')).toBe(says);
  });

  it('of parties waits for an answer where new ones are asked about', () => {
    expect(whenNeeded([{ ...named('NEW_PARTIES'), value: 'create' }], {}, 'PARTIES')).toBe(
      'when first needed',
    );
    expect(whenNeeded([named('NEW_PARTIES')], { NEW_PARTIES: 'ask' }, 'PARTIES')).toBe('once asked about');
    expect(whenNeeded([named('NEW_PARTIES')], { NEW_PARTIES: 'ask' }, 'ITEMS')).toBe('when first needed');
  });

  it('is marked where it is held', () => {
    expect(['batch', 'by-hand', 'approved', 'paid'].map(markOf)).toEqual([
      'held',
      'held',
      'at once',
      'at once',
    ]);
  });

  it('leads to the list of its records', () => {
    expect(listOf('PAYMENTS', 'yard')).toBe('/release?route=yard&state=All&what=payments-in');
    expect(listOf('ITEMS', 'yard')).toBe('/map?route=yard&kind=item');
  });
});
