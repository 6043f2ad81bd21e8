import { describe, expect, it } from 'vitest';
import { does, joined, partsOf, valueOf, wordsOf, type PartyCause } from './parties';

const YARD = { source: 'Hullwork', ledger: 'Inkwell', toFiles: false };
const cause = (conflict: boolean, ...sides: PartyCause['sides']): PartyCause => ({
  cause: '',
  field: 'E_MAIL',
  conflict,
  sides,
  count: 1,
  days: 1,
  parties: [],
});

describe('a cause about parties', () => {
  it.each([
    [cause(true, 'SOURCE', 'LEDGER'), 'E-mail changed on both sides', 'conflict'],
    [cause(false, 'SOURCE'), 'E-mail changed in Hullwork alone', 'drift'],
    [cause(false, 'LEDGER'), 'E-mail changed in Inkwell alone', 'drift'],
    [cause(false, 'SOURCE', 'LEDGER'), 'E-mail drifted on both sides', 'drift'],
  ])('%# says which side changed what', (of, title, state) => {
    expect(wordsOf(of, YARD)).toEqual({ title, state });
  });

  it('says what each answer does before it is given', () => {
    expect(does('SOURCE', cause(true, 'SOURCE', 'LEDGER'), YARD)).toBe('goes to Inkwell');
    expect(does('RESTORE', cause(false, 'LEDGER'), YARD)).toBe('Inkwell gets again what both agreed on');
    expect(does('ACCEPT', cause(false, 'LEDGER'), YARD)).toContain('goes to Hullwork');
    expect(does('ACCEPT', cause(false, 'SOURCE'), YARD)).toContain('goes to Inkwell');
  });
});

describe('an address', () => {
  it('is read without what it lacks, and written with its four parts', () => {
    const quay = '1 Quay | Saltmere | | IE';
    expect(valueOf('BILL_TO', quay)).toBe('1 Quay, Saltmere, IE');
    expect(valueOf('NAME', 'A | B')).toBe('A | B');
    expect(partsOf(quay)).toEqual(['1 Quay', 'Saltmere', '', 'IE']);
    expect(partsOf(joined(['1 Quay', '', '', 'IE']))).toEqual(['1 Quay', '', '', 'IE']);
    expect(joined(['', ' ', '', ''])).toBe('');
  });
});
