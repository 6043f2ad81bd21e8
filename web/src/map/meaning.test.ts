import { describe, expect, it } from 'vitest';
import { allSaid, saidBy, together } from './meaning';

describe('what a row says', () => {
  it('is all that was chosen for it', () => {
    const item = { targets: { COUNTERPART: 'RIG-06', INCOME: '4010' }, dimensions: {} };
    const department = { targets: {}, dimensions: { DEPT: 'RIG' } };
    expect(together([item, department])).toEqual({
      targets: { COUNTERPART: 'RIG-06', INCOME: '4010' },
      dimensions: { DEPT: 'RIG' },
    });
    expect(together([])).toEqual({ targets: {}, dimensions: {} });
  });

  it('names what it is mostly made for, and calls the rest by what it is for', () => {
    const said = [
      { word: '', code: '4010', name: 'Chandlery sales' },
      { word: 'What is bought', code: '5010', name: 'Cost' },
      { word: 'Department', code: 'RIG', name: '' },
    ];
    expect(saidBy(said)).toBe('4010 Chandlery sales; what is bought 5010; department RIG');
    expect(saidBy([{ word: '', code: '', name: 'New party, created on its first document' }])).toBe(
      'New party, created on its first document',
    );
  });

  it('is told by its codes alone in its history', () => {
    const targets = { COUNTERPART: '', INCOME: '4010' };
    expect(allSaid({ targets, dimensions: { DEPT: 'RIG' } })).toBe('4010, RIG');
  });
});
