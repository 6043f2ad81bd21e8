import { describe, expect, it } from 'vitest';
import { actionSaid, OUTCOMES, outcomeSaid, wayWords } from './words';

describe('the log', () => {
  it('says every way by the names of its sides', () => {
    expect(Object.values(wayWords({ source: 'Hullwork', ledger: 'Inkwell' }))).toEqual([
      'to Inkwell',
      'to Hullwork',
      'from Inkwell',
    ]);
  });

  it('says what was done, and what it does not know as it is', () => {
    expect(actionSaid('taken-back')).toBe('taken back');
    expect(actionSaid('something-new')).toBe('something new');
  });

  it('has a word for each outcome', () => {
    expect(OUTCOMES.map(outcomeSaid)).toEqual([
      'posted',
      'refused',
      'did not get through',
      'unconfirmed',
      'on its way',
      'queued',
      'seen',
    ]);
  });
});
