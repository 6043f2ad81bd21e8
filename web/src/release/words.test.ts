import { describe, expect, it } from 'vitest';
import { standing, STATE_OF, WORD, type Batch } from '../send/outcomes';
import { became } from './became';
import { advice, placeOf } from './causes';
import { whatHappened } from './since';

describe('what to do about a cause', () => {
  it.each([
    ['arithmetic-differs', 'Ask for a corrected file and take it in; it replaces this one'],
    ['tax-differs', 'Check the rates in Hullwork'],
    ['currency-unavailable:CAD', 'Inkwell cannot take this currency'],
    [
      'rate-unknown:USD 2026-11-20',
      'Enter the rate of that day in Inkwell, or state one in Hullwork, and fetch again',
    ],
    ['currency-differs', 'Say in Hullwork what it is worth in the document’s own currency'],
    ['dimension-unusable:DEPT SHOP', 'Choose another value on Map, or make it active in Inkwell'],
    ['account-unusable:4010', 'Map to another account, or make it active in Inkwell'],
    ['tax-code-unusable:S23', 'Choose another tax code on Map'],
    ['refused:number-taken', 'Renumber it in Hullwork, then fetch'],
    ['refused:period-locked', 'Open the period in Inkwell, then send again'],
    ['refused:something-new', 'See what Inkwell said'],
    ['unrouted:Port Ellery', 'Add a route for the site under Connect'],
    ['several-tax-codes:BOTH+FED', 'Divide it in Hullwork, one document for each tax code'],
    ['before-cut-off', 'The first day is under Settings of Connect'],
    ['does-not-cross:invoice', 'What crosses is under Settings of Connect'],
    ['item-unmapped:RIG-0042', ''],
  ])('%s: %s', (cause, says) => expect(advice(cause, 'Hullwork', 'Inkwell')).toBe(says));
});

describe('where in Alcabala a cause is settled', () => {
  it.each([
    ['unrouted:Port Ellery', '/connect?view=connections&route=yard'],
    ['before-cut-off', '/connect?view=crossing&setting=INVOICES_CUT_OFF&route=yard'],
    ['does-not-cross:invoice', '/connect?view=crossing&setting=INVOICES&route=yard'],
    ['does-not-cross:supplier-credit', '/connect?view=crossing&setting=SUPPLIER_CREDITS&route=yard'],
    ['arithmetic-differs', ''],
  ])('%s: %s', (cause, place) => expect(placeOf(cause, 'yard')).toBe(place));
});

describe('what happened since both sides agreed', () => {
  const said = (changedOnSource: boolean, changedOnLedger: boolean, voided = false) =>
    whatHappened(
      {
        changedOnSource,
        changedOnLedger,
        voided,
        voidedOnLedger: false,
        ledgerVersion: 3,
        taxDecided: '',
        gone: '',
      },
      'Hullwork',
      'Inkwell',
    );

  it('says which side was changed, and what sending would do to the other', () => {
    expect(said(true, false)).toContain('changed in Hullwork');
    expect(said(false, true)).toContain('puts back what Hullwork has');
    expect(said(true, true)).toContain('replaces what was done in Inkwell');
    expect(said(true, true, true)).toContain('voided in Hullwork');
  });

  it('says that a ledger which decides tax charged another one, unless the source moved on', () => {
    const since = { changedOnSource: false, changedOnLedger: true, voided: false, voidedOnLedger: false };
    const decided = { ...since, gone: '', ledgerVersion: 1, taxDecided: 'EUR 25.30' };
    expect(whatHappened(decided, 'Hullwork', 'Inkwell')).toContain('charged EUR 25.30');
    expect(whatHappened({ ...decided, changedOnSource: true }, 'Hullwork', 'Inkwell')).toContain(
      'both sides',
    );
  });

  it('says of what was entered on the ledger where it is changed, and that a void goes back', () => {
    const entered = (voidedOnLedger: boolean) =>
      whatHappened(
        {
          changedOnSource: false,
          changedOnLedger: true,
          voided: false,
          voidedOnLedger,
          ledgerVersion: 3,
          taxDecided: '',
          gone: '',
        },
        'Hullwork',
        'Inkwell',
        false,
      );
    expect(entered(false)).toContain('void it there and enter it anew');
    expect(entered(true)).toContain('still stands in Hullwork');
  });
});

describe('outcomes of a batch', () => {
  const batch = (counts: Partial<Batch>) =>
    ({ posted: 0, refused: 0, unreached: 0, unconfirmed: 0, open: 0, ...counts }) as Batch;

  it('are said without those that are nothing', () => {
    expect(standing(batch({ posted: 148, refused: 2 }))).toBe('148 posted, 2 refused');
    expect(standing(batch({ open: 3, unconfirmed: 1 }))).toBe('1 unconfirmed, 3 on the way');
    expect(standing(batch({}))).toBe('');
  });

  it('have a state and a word each, the same outcomes in both', () => {
    expect(Object.keys(STATE_OF).sort()).toEqual(Object.keys(WORD).sort());
    expect(STATE_OF.unreached).toBe('Ready');
  });
});

describe('what became of a document, for operations people', () => {
  const row = {
    sentence: 'RIG-0042 has no counterpart.',
    ledgerNumber: 'IK-7',
    crossedAt: '2026-11-24T10:00:00Z',
  };
  it.each([
    ['Waiting', 'waits for approval in Hullwork'],
    ['Blocked', 'RIG-0042 has no counterpart.'],
    ['Refused', 'RIG-0042 has no counterpart.'],
    ['Ready', 'ready, and not sent yet'],
    ['Queued', 'on its way'],
    ['Unconfirmed', 'sent, and not confirmed yet'],
    ['Posted', 'booked as IK-7 on 24 Nov'],
    ['Diverged', 'booked as IK-7, changed since'],
    ['Voided', 'voided'],
  ])('%s: %s', (state, says) => expect(became({ ...row, state }, 'Hullwork')).toBe(says));

  it('leaves out what is not known', () =>
    expect(became({ state: 'Posted', sentence: '', ledgerNumber: 'IK-7' }, 'Hullwork')).toBe(
      'booked as IK-7',
    ));
});
