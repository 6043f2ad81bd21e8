import { describe, expect, it } from 'vitest';
import { asSought, CREATE, labelOf, optionsFor, pick } from './options';

const choices = {
  accounts: [
    { code: '1100', name: 'Receivables control', note: 'receivable' },
    { code: '4010', name: 'Chandlery sales', note: 'revenue' },
    { code: '6990', name: 'Rounding', note: 'expense' },
  ],
  items: [{ code: 'RIG-06', name: 'Swage terminal 6mm', note: '4010' }],
  taxCodes: [{ code: 'S23', name: 'Standard', note: '23 %' }],
  parties: [{ code: 'IC-1', name: 'Pell Estuary Trust', note: '' }],
};

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
