import { describe, expect, it } from 'vitest';
import { choices, inWords, isSeen, toggled, type Seen } from './sight';

const sources = [
  { id: 1, name: 'Hullwork', sites: ['Port Ellery', 'Saltmere'] },
  { id: 2, name: 'Harbour office', sites: [] },
];
const at = (source: number, site = ''): Seen => ({ source, site });

describe('whose documents somebody sees', () => {
  it('is chosen among sources and their sites', () =>
    expect(choices(sources)).toEqual([at(1), at(1, 'Port Ellery'), at(1, 'Saltmere'), at(2)]));

  it('a whole source takes the place of its sites, and hides none of another', () => {
    const some = toggled(toggled([], at(1, 'Saltmere')), at(2));
    expect(some).toEqual([at(1, 'Saltmere'), at(2)]);
    expect(toggled(some, at(1))).toEqual([at(2), at(1)]);
    expect(isSeen([at(1)], at(1, 'Saltmere'))).toBe(true);
    expect(isSeen([at(1, 'Saltmere')], at(1))).toBe(false);
    expect(isSeen([at(1, 'Saltmere')], at(1, 'Port Ellery'))).toBe(false);
  });

  it('is taken away again', () => expect(toggled([at(1), at(2)], at(1))).toEqual([at(2)]));

  it.each([
    [[], 'sees no documents yet'],
    [[at(2), at(1, 'Port Ellery')], 'sees Harbour office, Hullwork at Port Ellery'],
    [[at(9)], 'sees a source that is gone'],
  ])('%j: %s', (sees, words) => expect(inWords(sees, sources)).toBe(words));
});
