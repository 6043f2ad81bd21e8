import { describe, expect, it } from 'vitest';
import { does, wordsOf, type LackingCause, type LackingHeld } from './lacking';

const YARD = { source: 'Hullwork', ledger: 'Inkwell', toFiles: false };
const cause = (name: string): LackingCause => ({
  cause: name,
  kind: name.startsWith('item') ? 'ITEMS' : 'PARTIES',
  count: 1,
  days: 1,
  masters: [],
});
const held = (resembles: string, standsFor: string, reason = ''): LackingHeld => ({
  counterpart: 'IC-7',
  name: 'Zennor Gig Club',
  since: '2026-11-30T08:00:00Z',
  seen: 'x',
  resembles,
  standsFor,
  reason,
  fields: [],
});

describe('one that the source lacks', () => {
  it.each([
    ['party:like', 'Parties new in Inkwell, perhaps known in Hullwork'],
    ['party:not-taken', 'Parties that Hullwork did not take'],
    ['item:not-taken', 'Items that Hullwork did not take'],
  ])('%s is called %s', (name, title) => {
    expect(wordsOf(cause(name), YARD).title).toBe(title);
  });

  it('is linked only with one that stands for nothing yet', () => {
    expect(does('SAME', held('C-1', ''), YARD)).toContain('C-1 of Hullwork and IC-7 of Inkwell');
    expect(does('SAME', held('C-1', 'IC-2'), YARD)).toBe('');
    expect(does('SAME', held('', '', 'no kind'), YARD)).toBe('');
    expect(does('CREATE', held('', '', 'no kind'), YARD)).toContain('once more');
    expect(does('CREATE', held('C-1', ''), YARD)).toBe('it is created in Hullwork at once');
  });
});
