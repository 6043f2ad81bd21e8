import { describe, expect, it } from 'vitest';
import { bankingColumns, pathOf } from './bankingColumns';
import type { Banking } from './queries';

const BANKING: Banking = {
  id: 9,
  number: 'B1000/2-261125',
  day: '2026-11-25',
  account: '1000/2',
  bank: 'Current account',
  slip: '',
  stated: '',
  why: '',
  count: 1,
  amount: '100.00',
  difference: '0.00',
  state: 'Posted',
  revision: 1,
  ledgerNumber: '',
  sentence: '',
  wrong: 0,
  withdrawn: '',
  madeBy: 'M. Ferro',
  madeAt: '2026-11-25T10:00:00Z',
  version: 1,
};
const standing = (more: Partial<Banking>) =>
  bankingColumns('yard', 'EUR')
    .find((each) => each.id === 'standing')
    ?.value?.({ ...BANKING, ...more });

describe('a banking in the list of a year', () => {
  it('is opened by its day and account', () => {
    expect(pathOf('yard', BANKING)).toBe('/clear/banking?route=yard&account=1000%2F2&day=2026-11-25');
  });

  it('says where it stands, what was changed since, and whether it was withdrawn', () => {
    expect(standing({})).toBe('Posted');
    expect(standing({ wrong: 1 })).toBe('1 receipt changed since');
    expect(standing({ withdrawn: 'never went', state: 'Diverged' })).toBe(
      'withdrawn, still to be taken back there',
    );
    expect(standing({ withdrawn: 'never went', state: 'Voided' })).toBe('withdrawn');
  });
});
