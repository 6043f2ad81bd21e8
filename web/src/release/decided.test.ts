import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { ledgers, undecided } from './decided';

const change = (field: string, becomes: Schemas['FieldChange']['becomes']): Schemas['FieldChange'] => ({
  field,
  becomes,
  source: 'a',
  sourceBefore: 'b',
  ledger: 'c',
  ledgerBefore: 'd',
  row: 12,
  sentence: '',
});

describe('whose stands', () => {
  const changes = [
    change('due-date', 'CONFLICT'),
    change('issue-date', 'TRAVELS'),
    change('line 1', 'CONFLICT'),
  ];

  it('is asked of what both changed, until it is decided', () => {
    expect(undecided(changes, {})).toEqual(['due-date', 'line 1']);
    expect(undecided(changes, { 'due-date': 'LEDGER' })).toEqual(['line 1']);
    expect(undecided(changes, { 'due-date': 'LEDGER', 'line 1': 'SOURCE' })).toEqual([]);
  });

  it('leaves there what is the ledger’s', () => {
    expect(ledgers({ 'due-date': 'LEDGER', 'line 1': 'SOURCE' })).toEqual(['due-date']);
  });
});
