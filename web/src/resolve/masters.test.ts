import { describe, expect, it } from 'vitest';
import { does, joined, ownerSetting, partsOf, valueOf, wordsOf, type MasterCause } from './masters';

const YARD = { source: 'Hullwork', ledger: 'Inkwell', toFiles: false };
const cause = (conflict: boolean, ...sides: MasterCause['sides']): MasterCause => ({
  cause: '',
  kind: 'PARTIES',
  field: 'e-mail',
  conflict,
  sides,
  count: 1,
  days: 1,
  masters: [],
});

describe('a cause about masters', () => {
  it.each([
    [cause(true, 'SOURCE', 'LEDGER'), 'E-mail changed on both sides', 'conflict'],
    [cause(false, 'SOURCE'), 'E-mail changed in Hullwork alone', 'drift'],
    [cause(false, 'LEDGER'), 'E-mail changed in Inkwell alone', 'drift'],
    [cause(false, 'SOURCE', 'LEDGER'), 'E-mail drifted on both sides', 'drift'],
  ])('%# says which side changed what', (of, title, state) => {
    expect(wordsOf(of, YARD)).toEqual({ title, state });
  });

  it('about an item says so, and whose its fields are is decided for items', () => {
    const item: MasterCause = { ...cause(false, 'LEDGER'), kind: 'ITEMS', field: 'name' };
    expect(wordsOf(item, YARD).title).toBe('Item’s name changed in Inkwell alone');
    expect(ownerSetting(item)).toBe('ITEMS_OWNER_OF_NAME');
    expect(ownerSetting({ ...item, kind: 'PARTIES', field: 'e-mail' })).toBe('PARTIES_OWNER_OF_E_MAIL');
    expect(valueOf('kind', 'LABOUR')).toBe('labour');
  });

  it('about one that is out of use somewhere says so in words', () => {
    const gone: MasterCause = { ...cause(false, 'LEDGER'), field: 'in-use' };
    expect(wordsOf(gone, YARD)).toEqual({ title: 'Party in use on one side alone', state: 'drift' });
    expect(valueOf('in-use', 'gone')).toBe('not there any more');
    expect(valueOf('in-use', 'yes')).toBe('in use');
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
    expect(valueOf('bill-to', quay)).toBe('1 Quay, Saltmere, IE');
    expect(valueOf('name', 'A | B')).toBe('A | B');
    expect(partsOf(quay)).toEqual(['1 Quay', 'Saltmere', '', 'IE']);
    expect(partsOf(joined(['1 Quay', '', '', 'IE']))).toEqual(['1 Quay', '', '', 'IE']);
    expect(joined(['', ' ', '', ''])).toBe('');
  });
});
