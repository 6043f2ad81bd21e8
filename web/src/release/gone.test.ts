import { expect, test } from 'vitest';
import { whereGone } from './gone';

const YARD = { source: 'Hullwork', ledger: 'Inkwell' };

test('whichever side made it is right', () => {
  expect(whereGone('source', 'ledger', YARD)).toEqual({
    to: 'Inkwell',
    says: 'It was deleted in Inkwell, and Hullwork, which made it, still has it. Send it again, or void it in Hullwork as well.',
    does: 'Send it to Inkwell again',
  });
  expect(whereGone('source', 'source', YARD).does).toBe('Take it back in Inkwell');
  expect(whereGone('ledger', 'ledger', YARD).does).toBe('Take it back in Hullwork');
  expect(whereGone('ledger', 'source', YARD).does).toBe('Send it to Hullwork again');
});
