import { describe, expect, it } from 'vitest';
import type { CutOverRow } from './queries';
import { chosenPair, differsOf } from './words';

const side = (record: number | undefined, ref: string) => ({
  ...(record === undefined ? {} : { record }),
  ref,
  number: '1',
  party: 'Pell',
  date: '2026-09-30',
  currency: 'EUR',
  gross: '1.00',
  open: '1.00',
});
const here: CutOverRow = { standing: 'ONLY_HERE', kind: 'invoice', here: side(7, ''), differs: [] };
const there: CutOverRow = {
  standing: 'ONLY_THERE',
  kind: 'invoice',
  there: side(undefined, 'D-1'),
  differs: [],
};

describe('what both sides had open', () => {
  it('is paired by hand when one of each is chosen, and both are of one kind', () => {
    expect(chosenPair([there, here])).toEqual({ record: 7, there: 'D-1' });
    expect(chosenPair([here, here])).toBeUndefined();
    expect(chosenPair([here])).toBeUndefined();
    expect(chosenPair([here, { ...there, kind: 'credit-note' }])).toBeUndefined();
  });

  it('says in what two differ', () => {
    expect(differsOf({ ...here, differs: ['GROSS', 'OPEN'] })).toBe('amount, open');
    expect(differsOf(here)).toBe('');
  });
});
