import { mapPage, type MapKind } from './queries';
import { useCurrent } from '../app/current';
import { useWindow } from '../ui/book/useWindow';
import type { MapRow } from './MapPage';

const LARGEST = 1000;

/** The rows of one crosswalk where they are looked at, and how many match. */
export function useMapRows(kind: MapKind, text: string, only: string) {
  const { route } = useCurrent();
  const narrowed = { text, only };
  const window = useWindow<MapRow>({
    list: ['map', route.code, kind, narrowed],
    read: async ({ at, limit }, signal) => {
      const { rows, count } = await mapPage(route.code, kind, { ...narrowed, skip: at, limit }, signal);
      return { rows, count, next: at + rows.length < count && rows.length > 0 ? 'more' : '' };
    },
    keeps: (list) => list[1] === route.code && list[2] === kind,
  });
  const readAll = async () => {
    const all: MapRow[] = [];
    for (let skip = 0, count = 1; skip < count; skip += LARGEST) {
      const page = await mapPage(route.code, kind, { ...narrowed, skip, limit: LARGEST });
      all.push(...page.rows);
      count = page.count;
    }
    return all;
  };
  // What is read whole is sorted and saved without asking again.
  return { ...window, readAll: window.whole ? undefined : readAll };
}
