import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { rough, stopsOf, strokesOf } from './stops';

const QUIET: Schemas['Road'] = {
  connections: 2,
  lost: 0,
  warns: 0,
  blocks: 0,
  unmapped: 0,
  ready: 0,
  readySums: [],
  blocked: 0,
  refused: 0,
  openBatches: 0,
  held: 0,
  odd: 0,
  runFailed: false,
};
const BANKED: Schemas['BankingsWaitingJson'] = {
  toBank: { count: 0, currency: 'EUR', amount: '0.00' },
  wrong: 0,
};
const stop = (name: string, road: Partial<Schemas['Road']>, hasRoute = true) =>
  stopsOf({ ...QUIET, ...road }, hasRoute).find((each) => each.name === name);

describe('the road', () => {
  it('has seven stops, and nothing above the line on a quiet day', () => {
    const stops = stopsOf(QUIET, true, BANKED);
    expect(stops.map((each) => each.name).join(' ')).toBe('Connect Map Release Send Resolve Clear Tie out');
    expect(stops.filter((each) => each.wrong ?? each.count)).toEqual([]);
    expect(stops.map((each) => each.waits)).toEqual([
      '2 connected',
      'all mapped',
      'none ready',
      'nothing on its way',
      'nothing held',
      'nothing to bank',
      'to come',
    ]);
  });

  it('counts what was sent and does not stand as it should', () => {
    expect(stop('Resolve', { held: 3 })?.count).toBe(3);
    expect(stop('Resolve', { held: 3 })?.waits).toBe('held');
    expect(stop('Resolve', { odd: 0 })?.wrong).toBeUndefined();
    expect(stop('Resolve', { odd: 2 })?.wrong?.says).toBe('2 to look at');
    expect(stop('Resolve', { odd: 2, runFailed: true })?.wrong?.says).toBe('run failed');
    expect(stop('Resolve', { held: 3 }, false)?.later).toBeDefined();
    expect(stop('Resolve', { runFailed: true })?.wrong?.says).toBe('run failed');
  });

  it('says what waits to be taken to the bank, and what was changed since it was', () => {
    const clear = { ...BANKED, toBank: { count: 3, currency: 'EUR', amount: '176.35' }, wrong: 2 };
    const stop = stopsOf(QUIET, true, clear).find((each) => each.name === 'Clear');
    expect(stop?.count).toBe(3);
    expect(stop?.waits).toBe('to bank, €176.35');
    expect(stop?.wrong).toEqual({ says: '2 receipts changed', stands: true, path: '/clear' });
    expect(stopsOf(QUIET, false, clear).find((each) => each.name === 'Clear')?.later).toBeDefined();
  });

  it.each([
    [0, 0],
    [-1, 0],
    [1, 1],
    [2, 2],
    [3, 2],
    [4, 3],
    [255, 8],
    [256, 9],
    [1_000_000, 9],
  ])('shows %i as %i strokes', (count, strokes) => expect(strokesOf(count)).toBe(strokes));

  it.each([
    [9_999, '9,999'],
    [10_000, '10 k'],
    [12_999, '12 k'],
    [1_250_000, '1,250 k'],
  ])('says %i as %s', (count, says) => expect(rough(count)).toBe(says));

  it.each([
    ['Connect', { lost: 1, blocks: 2 }, '1 ledger shut', true],
    ['Connect', { blocks: 1, warns: 3 }, '1 check blocks', true],
    ['Connect', { blocks: 2 }, '2 checks block', true],
    ['Connect', { warns: 1 }, '1 check warns', false],
    ['Release', { blocked: 47 }, '47 blocked', false],
    ['Send', { refused: 2 }, '2 refused', true],
  ])('at %s with %o says %s', (name, road, says, stands) =>
    expect(stop(name, road)?.wrong).toMatchObject({ says, stands }),
  );

  it('says what waits', () => {
    const ready = { ready: 89, readySums: [{ currency: 'EUR', amount: '71332.23' }] };
    expect(stop('Release', ready)).toMatchObject({ count: 89, waits: 'ready, €71,332.23' });
    const sending = { batch: 41, done: 62, count: 100 };
    expect(stop('Send', { sending })).toMatchObject({ count: 38, waits: 'of batch 41 to go' });
    expect(stop('Send', { openBatches: 1 })?.waits).toBe('1 batch open');
    expect(stop('Send', { openBatches: 2 })?.waits).toBe('2 batches open');
  });

  it('opens with a route', () => {
    expect(stop('Connect', {}, false)?.later).toBeUndefined();
    expect(stop('Map', {}, false)).toMatchObject({ waits: 'opens with a route' });
    expect(stop('Release', {}, false)?.later).toContain('Connect a source');
  });
});
