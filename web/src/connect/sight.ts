import type { Schemas } from '../api/client';

export type Seen = Schemas['Seen'];
type Source = Pick<Schemas['SourceJson'], 'id' | 'name' | 'sites'>;

/** Everything that can be shown: a source with all its sites, and each site by itself. */
export const choices = (sources: Source[]): Seen[] =>
  sources.flatMap((source) => ['', ...source.sites].map((site) => ({ source: source.id, site })));

const same = (one: Seen, other: Seen) => one.source === other.source && one.site === other.site;

/** Whether it is shown, by itself or with all sites of its source. */
export const isSeen = (sees: Seen[], each: Seen) =>
  sees.some((seen) => seen.source === each.source && (seen.site === '' || seen.site === each.site));

/** All sites of a source stand in place of each of them. */
export function toggled(sees: Seen[], each: Seen): Seen[] {
  if (sees.some((seen) => same(seen, each))) {
    return sees.filter((seen) => !same(seen, each));
  }
  const others = each.site === '' ? sees.filter((seen) => seen.source !== each.source) : sees;
  return [...others, each];
}

export function inWords(sees: Seen[], sources: Source[]): string {
  const words = sees.map((seen) => {
    const name = sources.find((source) => source.id === seen.source)?.name ?? 'a source that is gone';
    return seen.site === '' ? name : `${name} at ${seen.site}`;
  });
  return words.length === 0 ? 'sees no documents yet' : `sees ${words.join(', ')}`;
}
