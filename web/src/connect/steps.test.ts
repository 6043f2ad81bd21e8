import { describe, expect, it } from 'vitest';
import { browserOf } from '../you/browsers';
import { codeFrom, rowOf } from './codes';
import { said } from './said';
import { suggested } from './suggested';
import { nextStep, STEPS } from './steps';
import { meaningOf, stateOf, troubleOf } from './troubles';

describe('first steps', () => {
  const step = (name: keyof typeof STEPS, done: boolean) => ({ step: name, done, open: 0 });

  it('go on at the first that is not done, whatever later ones say', () => {
    expect(nextStep([step('LEDGER', true), step('SOURCE', false), step('ROUTE', true)])?.step).toBe('SOURCE');
    expect(nextStep([step('LEDGER', true)])).toBeUndefined();
    expect(nextStep([])).toBeUndefined();
  });

  it('say how much is open, one and many', () => {
    expect(STEPS.TAXES.says(1)).toBe('1 tax code still open.');
    expect(STEPS.ROLES.says(3)).toBe('3 roles still open.');
    expect(STEPS.CATEGORIES.says(0)).toBe('');
    expect(STEPS.LEDGER.says(1)).toContain('being pulled');
  });
});

describe('words of Connect', () => {
  it.each([
    ['Harbour office', 'harbour-office'],
    ['  Überführung & Söhne ', 'uberfuhrung-sohne'],
    ['24 hours', 'hours'],
    ['東京', 'route'],
    ['x'.repeat(50), 'x'.repeat(30)],
  ])('a route from %s is called %s', (name, code) => expect(codeFrom(name)).toBe(code));

  it('says rows as people do, and codes as they are', () => {
    expect(rowOf('ROLE', 'RECEIVABLES_CONTROL')).toBe('role receivables control');
    expect(rowOf('ITEM', 'RIG-0042')).toBe('item RIG-0042');
  });

  it('makes a sentence of an action and of a name', () => {
    expect(said('ledger-connected-again')).toBe('Ledger connected again');
    expect(said('readsOnly')).toBe('Reads only');
  });

  it('knows a refusal from any other trouble, and never hides an unknown state', () => {
    expect(troubleOf('access_denied')).toBe('refused');
    expect(troubleOf('server_error')).toBe('failed');
    expect(meaningOf('books.read')).toBe('read the books');
    expect(meaningOf('books.burn')).toBe('books.burn');
    expect(stateOf('consent-lost').tone).toBe('text-error');
    expect(stateOf('new-state').word).toBe('new-state');
  });

  it.each([
    [
      'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 Chrome/130 Safari/537.36',
      'Chromium or Chrome on Linux',
    ],
    ['Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 Chrome/130 Safari/537.36 Edg/130', 'Edge on Windows'],
    ['Mozilla/5.0 (Macintosh; Intel Mac OS X 14) AppleWebKit/605 Version/18 Safari/605', 'Safari on macOS'],
    ['Mozilla/5.0 (Android 14; Mobile; rv:130) Gecko Firefox/130', 'Firefox on Android'],
    ['curl/8.5', 'another program'],
  ])('%s is %s', (agent, words) => expect(browserOf(agent)).toBe(words));
});

describe('what is suggested', () => {
  const row = (code: string, more: object) => ({
    code,
    name: 'Paint',
    note: '',
    covered: '',
    needed: true,
    open: true,
    blockedDocuments: 2,
    blockedAmount: '12.00',
    says: [],
    suggestion: {
      code: '4015',
      name: 'Paint',
      reason: 'similar name',
      exact: false,
      meaning: { targets: { INCOME: '4015' }, dimensions: {} },
    },
    ...more,
  });

  it('is shown for open rows, and for certain ones that are covered', () => {
    const meaning = { targets: { COUNTERPART: 'X' }, dimensions: {} };
    const exact = { code: 'X', name: 'Ex', reason: 'same code', exact: true, meaning };
    const rows = [
      row('open', {}),
      row('covered', { open: false }),
      row('certain', { open: false, suggestion: exact }),
      row('mapped', { row: { meaning: { targets: {}, dimensions: {} }, version: 1, setBy: '', setAt: '' } }),
      row('nothing', { suggestion: undefined }),
    ];
    expect(suggested('CATEGORY', rows).map((each) => each.code)).toEqual(['open', 'certain']);
    expect(suggested('CATEGORY', rows)[1]?.right).toBe('X Ex');
  });

  it('calls a role by its name alone', () => {
    expect(suggested('ROLE', [row('ROUNDING', { name: 'rounding' })])[0]?.left).toBe('rounding');
  });
});
