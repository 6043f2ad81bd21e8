import { describe, expect, it } from 'vitest';
import { fieldName, valueSaid } from './changes';

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
});
