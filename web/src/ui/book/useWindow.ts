import { infiniteQueryOptions, useInfiniteQuery, useQueryClient, type QueryKey } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import { useCalmly } from './useCalmly';

/** More pages are not kept: where one comes back to, it is read again. */
const KEPT = 12;
/** So near to the end of what is read, the next page is asked for; the sooner the quicker one scrolls. */
const NEAR = 60;
const FRAMES_AHEAD = 12;
const FARTHEST = 300;
const PAGE = 100;
/** In the middle no more than what is seen at first, and a little around it: it is there the sooner. */
const FIRST = 50;
const AROUND = 8;

/** Where a page begins. */
export interface Place {
  /** Among all rows. */
  at: number;
  /** The key to go on from; empty where it is begun in the middle, or where there are no keys. */
  after: string;
  limit: number;
}

interface Page<Row> {
  rows: Row[];
  /** The key to go on with; empty on the last page. */
  next: string;
  /** How many rows there are in all, where that is said. */
  count?: number;
}

/** Which places are looked at. */
export type Look = (first: number, last: number) => void;

interface Options<Row> {
  /** What is read: another key is another list. */
  list: QueryKey;
  read: (place: Place, signal: AbortSignal) => Promise<Page<Row>>;
  enabled?: boolean;
  /** Whether what was shown of another list may be shown until this one is there. */
  keeps?: (list: QueryKey) => boolean;
}

const beginning = (at: number): Place => ({ at, after: '', limit: at === 0 ? PAGE : FIRST });

/** A list that is read where it is looked at: page by page from there, in both directions. */
export function useWindow<Row>({ list, read, enabled = true, keeps }: Options<Row>) {
  const name = JSON.stringify(list);
  const [begun, setBegun] = useState({ name, at: 0 });
  const at = begun.name === name ? begun.at : 0;
  const queries = useQueryClient();
  const from = (begun: number) =>
    infiniteQueryOptions({
      queryKey: [...list, begun],
      queryFn: ({ pageParam, signal }) => read(pageParam, signal),
      initialPageParam: beginning(begun),
      getNextPageParam: (last, _, place): Place | undefined =>
        last.next === '' ? undefined : { at: place.at + last.rows.length, after: last.next, limit: PAGE },
      getPreviousPageParam: (_first, _all, place): Place | undefined =>
        place.at === 0
          ? undefined
          : { at: Math.max(0, place.at - PAGE), after: '', limit: Math.min(PAGE, place.at) },
      maxPages: KEPT,
    });
  const pages = useInfiniteQuery({
    ...from(at),
    placeholderData: (known, before) => (at === 0 && before && keeps?.(before.queryKey) ? known : undefined),
    enabled,
  });
  const counted = pages.data?.pages[0]?.count;
  // While it is read somewhere else, the list is as long as it was.
  const [last, setLast] = useState({ name, count: counted });
  if (counted !== undefined && (last.name !== name || last.count !== counted)) {
    setLast({ name, count: counted });
  }
  const rows = useMemo(() => (pages.data?.pages ?? []).flatMap((page) => page.rows), [pages.data]);
  const begins = (pages.data?.pageParams[0] as Place | undefined)?.at ?? at;
  const ends = begins + rows.length;
  const begin = useCalmly((first: number) => {
    const next = Math.max(0, first - AROUND);
    // It is on its way before the page is drawn anew.
    queries.infiniteQuery(from(next)).catch(() => undefined);
    setBegun({ name, at: next });
  });
  const seen = useRef(0);
  const look: Look = (first, last) => {
    const near = Math.min(FARTHEST, NEAR + FRAMES_AHEAD * Math.abs(first - seen.current));
    seen.current = first;
    if (first > ends + PAGE || last < begins - PAGE) {
      begin(first);
    } else if (pages.isPending) {
      return;
    } else if (last > ends - near && pages.hasNextPage && !pages.isFetching) {
      void pages.fetchNextPage();
    } else if (first < begins + near && pages.hasPreviousPage && !pages.isFetching) {
      void pages.fetchPreviousPage();
    }
  };
  return {
    rows,
    begins,
    look,
    loading: pages.isPending,
    error: pages.error,
    count: counted ?? (last.name === name ? last.count : undefined),
    /** Whether all there is has been read. */
    whole: begins === 0 && pages.isSuccess && !pages.hasNextPage,
  };
}
