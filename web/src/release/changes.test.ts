import { describe, expect, it } from 'vitest';
import { fieldName, fieldsSaid, valueSaid } from './changes';

describe('fields of both sides', () => {
  it('have names, and lines are counted', () => {
    expect(fieldName('due-date')).toBe('Due');
    expect(fieldName('line 12')).toBe('Line 12');
    expect(fieldName('summed line 3')).toBe('Line 3, summed');
    expect(fieldName('outline 3')).toBe('outline 3');
  });

  it('say amounts as amounts and what is not there as nothing', () => {
    expect(valueSaid('gross', '1201.5')).toBe('1,201.50');
    expect(valueSaid('due-date', '')).toBe('–');
    expect(valueSaid('line 1', 'RIG V23 2')).toBe('RIG V23 2');
  });

  it('are told one after the other, and what stands there no more as nothing', () => {
    expect(fieldsSaid({ 'due-date': '2027-03-30', gross: '326.7', note: '', 'field HULL': 'CB-8' })).toBe(
      'Due: 30 Mar 2027; Gross: 326.70; Note: –; Field HULL: CB-8',
    );
  });
});
