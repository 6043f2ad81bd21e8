import { expect, test } from 'vitest';
import { isGivenBack, isSettlement, kindName } from './recordKinds';

test.each([
  ['invoice', false, false, 'invoice'],
  ['credit-note', false, true, 'credit note'],
  ['bill', false, false, 'bill'],
  ['supplier-credit', false, true, 'supplier credit'],
  ['payment-in', true, false, 'payment received'],
  ['refund', true, true, 'refund'],
  ['returned-in', true, true, 'returned payment'],
  ['payment-out', true, false, 'payment made'],
])('%s', (kind, settles, back, name) => {
  expect(isSettlement(kind)).toBe(settles);
  expect(isGivenBack(kind)).toBe(back);
  expect(kindName(kind)).toBe(name);
});
