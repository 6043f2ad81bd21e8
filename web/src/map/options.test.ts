import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { allSaid, furtherOf, furtherSaid, hasMain, mainOf, meaningOf } from './meaning';
import { asSought, CREATE, labelOf, optionsFor, pick } from './options';

type Choices = Schemas['Choices'];

const choices: Choices = {
  accounts: [
    { code: '1100', name: 'Receivables control', note: 'receivable' },
    { code: '4010', name: 'Chandlery sales', note: 'revenue' },
    { code: '6990', name: 'Rounding', note: 'expense' },
  ],
  items: [{ code: 'RIG-06', name: 'Swage terminal 6mm', note: '4010' }],
  taxCodes: [{ code: 'S23', name: 'Standard', note: '23 %' }],
  parties: [{ code: 'IC-1', name: 'Pell Estuary Trust', note: '' }],
  dimensions: [{ code: 'DEPT', name: 'Department', values: [{ code: 'RIG', name: 'Rigging', note: '' }] }],
  purposes: {
    PARTY: ['COUNTERPART', 'INCOME', 'ADVANCE', 'DIMENSION'],
    ITEM: ['COUNTERPART', 'INCOME', 'DIMENSION'],
    PROJECT: ['INCOME', 'EXPENSE'],
    SITE: ['DIMENSION'],
    TAX: ['COUNTERPART'],
  } satisfies Choices['purposes'],
};

describe('what a code means', () => {
  it('is its counterpart with the account that most rows of its kind are made for', () => {
    const option = { counterpart: 'RIG-06', account: '4010' };
    expect(meaningOf('ITEM', choices, option).targets).toEqual({ COUNTERPART: 'RIG-06', INCOME: '4010' });
    expect(meaningOf('TAX', choices, { counterpart: 'S23', account: '' }).targets).toEqual({
      COUNTERPART: 'S23',
    });
    expect(meaningOf('PROJECT', choices, { counterpart: '', account: '4010' }).targets).toEqual({
      INCOME: '4010',
    });
  });

  it('can say more, of accounts that fit the purpose and of dimensions', () => {
    const further = furtherOf('PARTY', choices);
    expect(further.map((each) => each.label)).toEqual(['Income', 'Advances', 'Department']);
    expect(further[0]?.options.map((each) => each.account)).toEqual(['4010', '6990']);
    const targets = ['4010', '', 'RIG'];
    const meaning = meaningOf(
      'PARTY',
      choices,
      undefined,
      further.map((each, index) => ({ further: each, target: targets[index] ?? '' })),
    );
    expect(meaning).toEqual({ targets: { INCOME: '4010' }, dimensions: { DEPT: 'RIG' } });
    expect(mainOf('PARTY', meaning, choices)).toBeUndefined();
    expect(furtherSaid('PARTY', meaning, choices)).toBe('income 4010, department RIG');
    expect(allSaid(meaning)).toBe('4010, RIG');
  });

  it('of a site is nothing but dimensions', () => {
    expect(hasMain('SITE', choices)).toBe(false);
    expect(hasMain('ITEM', choices)).toBe(true);
    expect(furtherOf('SITE', choices).map((each) => each.key)).toEqual(['DIMENSION DEPT']);
  });
});

describe('what a row can point to', () => {
  it('offers accounts a sale can land in, and items with the account they bring', () => {
    const options = optionsFor('ITEM', choices);
    expect(options.map((each) => each.label)).toEqual([
      '4010 Chandlery sales',
      '6990 Rounding',
      'Item RIG-06 Swage terminal 6mm, 4010',
    ]);
    expect(pick(options, 'rig-06')).toMatchObject({ counterpart: 'RIG-06', account: '4010' });
  });

  it('offers every account for a role, since the server knows which type it takes', () => {
    expect(optionsFor('ROLE', choices)).toHaveLength(3);
  });

  it('takes a whole label or a bare code, and nothing else', () => {
    const options = optionsFor('CATEGORY', choices);
    expect(pick(options, ' 4010 chandlery SALES ')).toBeDefined();
    expect(pick(options, '4010')).toBeDefined();
    expect(pick(options, '401')).toBeUndefined();
    expect(pick(options, '')).toBeUndefined();
  });

  it('says what a row says, also when the ledger no longer has it', () => {
    const options = optionsFor('PARTY', choices);
    expect(options[0]).toBe(CREATE);
    expect(labelOf(options, 'IC-1', '')).toBe('IC-1 Pell Estuary Trust');
    expect(labelOf(optionsFor('CATEGORY', choices), '', '4999')).toBe('4999');
  });
});

describe('what is sought on the ledger', () => {
  it.each([
    ['Item RIG-06 Swage terminal 6mm, 4012', 'RIG-06 Swage terminal 6mm'],
    [' IC-1001 Ostrander ', 'IC-1001 Ostrander'],
    ['rope, 8 mm', 'rope, 8 mm'],
  ])('%s is sought as %s', (label, sought) => expect(asSought(label)).toBe(sought));
});
