import { describe, expect, it } from 'vitest';
import { after, recent, still, type Deed } from './deeds';

const NOW = Date.parse('2026-11-27T12:00:00Z');
const deed = (id: string, at: string, code = 'RIG'): Deed => ({
  id,
  at,
  says: id,
  undoing: {
    what: 'row',
    change: {
      route: 'yard',
      kind: 'ITEM',
      code,
      meaning: { targets: {}, dimensions: {} },
      expectedVersion: 1,
      remove: true,
    },
  },
});

describe('what can be taken back', () => {
  it('is what was done within a day', () => {
    const deeds = [
      deed('a', '2026-11-27T11:00:00Z'),
      deed('b', '2026-11-26T12:00:01Z'),
      deed('c', '2026-11-26T12:00:00Z'),
    ];
    expect(recent(deeds, NOW).map((each) => each.id)).toEqual(['a', 'b']);
  });

  it('is the newest first, and no more than twenty', () => {
    let deeds: Deed[] = [];
    for (let i = 0; i < 21; i++) {
      deeds = after(deeds, deed(String(i), '2026-11-27T11:00:00Z'));
    }
    expect(deeds).toHaveLength(20);
    expect(deeds[0]?.id).toBe('20');
  });

  it('is not what somebody else has changed since', () => {
    const deeds = [deed('a', '2026-11-27T11:00:00Z', 'RIG'), deed('b', '2026-11-27T11:00:00Z', 'OIL')];
    const told = { topic: 'CROSSWALK', route: 'yard', ids: ['ITEM/RIG'], who: 'T. Voss' } as const;
    expect(still(deeds, { ...told, ids: ['ITEM/RIG'] }).map((each) => each.id)).toEqual(['b']);
    expect(still(deeds, { ...told, route: 'harbour', ids: ['ITEM/RIG'] })).toHaveLength(2);
    expect(still(deeds, { topic: 'RECORDS', ids: ['ITEM/RIG'] })).toHaveLength(2);
    const several: Deed = {
      ...deed('c', '2026-11-27T11:00:00Z'),
      undoing: { what: 'rows', rows: { route: 'yard', kind: 'ITEM', rows: { RIG: 1, OIL: 1 } } },
    };
    expect(still([several], { ...told, ids: ['ITEM/OIL'] })).toEqual([]);
  });
});
