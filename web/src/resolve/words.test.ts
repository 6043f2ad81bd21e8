import { describe, expect, it } from 'vitest';
import type { HeldCause } from './queries';
import { whatOf, wordsOf } from './words';

const YARD = { source: 'Hullwork', ledger: 'Inkwell', toFiles: false };
const held = (cause: string, said = ''): HeldCause => ({
  cause,
  said,
  count: 1,
  sums: [],
  days: 1,
  records: [],
});

describe('causes of what is held', () => {
  it('say what the ledger said, and what to do', () => {
    const words = wordsOf(held('refused:period-locked', 'October is locked'), YARD);
    expect(words.title).toBe('The period is locked in Inkwell');
    expect(words.says).toContain('It said: “October is locked” Open the period in Inkwell');
  });

  it('name both sides', () => {
    expect(wordsOf(held('changed-there'), YARD).title).toBe('Changed in Inkwell alone');
    expect(wordsOf(held('voided-here'), YARD).says).toContain('Inkwell still has it');
    expect(wordsOf(held('refused:odd'), YARD).title).toBe('Inkwell refused it');
    expect(wordsOf(held('refused:odd', 'Not so'), YARD).title).toBe('Not so');
  });

  it('say of a file that it waits for somebody, and not that it is asked about', () => {
    const files = { source: 'Hullwork', ledger: 'Copperplate', toFiles: true };
    expect(wordsOf(held('unconfirmed'), files).says).toContain('Import the file in Copperplate');
    expect(wordsOf(held('unconfirmed'), YARD).says).toContain('It is asked by key');
  });

  it('tell of what was entered on the ledger that its source did not take it', () => {
    const back = wordsOf(held('back:refused:number-taken'), YARD);
    expect(back.title).toBe('The number is taken in Hullwork');
    expect(back.says).toContain('Hullwork did not take it');
    expect(whatOf(held('back:refused:number-taken'))).toBe('refused:number-taken');
    expect(wordsOf(held('back:unreached'), YARD).title).toBe('Hullwork was not reached');
  });
});
