import { describe, expect, it } from 'vitest';
import type { Banking, Receipt, Sheet } from './queries';
import { remark } from './receiptColumns';
import { amountOf, byMeans, named, tickedFirst, whyLeft } from './ticked';

const receipt = (id: number, more: Partial<Receipt> = {}): Receipt => ({
  id,
  number: `HW-P-${id}`,
  kind: 'payment-in',
  day: '2026-11-24',
  party: 'Beacon Yacht Club',
  means: 'cheque (20)',
  cash: false,
  reference: '000417',
  paidFor: 'HW-20390',
  amount: '100.00',
  state: 'Posted',
  banked: false,
  late: false,
  returned: false,
  ...more,
});

const BANKING: Banking = {
  id: 9,
  number: 'B1000-261125',
  day: '2026-11-25',
  account: '1000',
  bank: 'Current account',
  slip: '',
  stated: '',
  why: '',
  count: 1,
  amount: '100.00',
  difference: '0.00',
  state: 'Posted',
  revision: 1,
  ledgerNumber: 'B1000-261125',
  sentence: '',
  wrong: 0,
  withdrawn: '',
  madeBy: 'M. Ferro',
  madeAt: '2026-11-25T10:00:00Z',
  version: 1,
};

const sheet = (receipts: Receipt[], banking?: Banking): Sheet => ({
  account: '1000',
  day: '2026-11-25',
  since: '2026-08-25',
  currency: 'EUR',
  banks: [],
  waiting: '1210',
  together: [],
  alone: [],
  before: { count: 0, currency: 'EUR', amount: '0.00' },
  foreign: [],
  receipts,
  ...(banking ? { banking } : {}),
});

describe('what is ticked to begin with', () => {
  const all = [
    receipt(1),
    receipt(2, { late: true }),
    receipt(3, { returned: true }),
    receipt(4, { state: 'Voided', banked: true }),
    receipt(5, { state: 'Blocked' }),
  ];

  it('is all but what cannot be meant', () => {
    expect([...tickedFirst(sheet(all))]).toEqual([1, 5]);
    expect(all.map(whyLeft)).toEqual(['', 'received later', 'came back', 'voided', '']);
    expect(all.map(remark)).toEqual(['', 'received later', 'came back', 'voided', 'is blocked']);
  });

  it('is what was banked, where it was, unless that was withdrawn', () => {
    expect([...tickedFirst(sheet(all, BANKING))]).toEqual([4]);
    expect([...tickedFirst(sheet(all, { ...BANKING, withdrawn: 'never went' }))]).toEqual([1, 5]);
  });

  it('is counted to the cent, cheques before cash', () => {
    const receipts = [
      receipt(1, { means: 'cash (10)', cash: true, amount: '0.10' }),
      receipt(2, { amount: '0.20' }),
      receipt(3, { means: 'cash (10)', cash: true, kind: 'refund', amount: '-0.05' }),
    ];
    expect(amountOf(receipts)).toBe('0.25');
    expect(amountOf([])).toBe('0.00');
    expect(byMeans(receipts).map((group) => [named(group.means), amountOf(group.receipts)])).toEqual([
      ['Cheque', '0.20'],
      ['Cash', '0.05'],
    ]);
  });
});
