import { describe, expect, it } from 'vitest';
import { supposedBy, whatIfOf, type Supposed } from './address';

const there = (row: Supposed) => supposedBy(whatIfOf('yard', row).split('?')[1] ?? '');

describe('the address of a row as it might be', () => {
  it('holds all that the row would say', () => {
    const row: Supposed = {
      kind: 'ITEM',
      code: 'A & B/ü = "1"',
      meaning: { targets: { COUNTERPART: '', INCOME: '4018' }, dimensions: { SITE: 'SALT & CO' } },
    };
    expect(there(row)).toEqual(row);
  });

  it('holds nothing of a row that would be taken away', () => {
    expect(there({ kind: 'TAX', code: 'V23' })).toEqual({ kind: 'TAX', code: 'V23' });
  });
});
