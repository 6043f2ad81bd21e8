import { useInfiniteQuery, useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { byCauseQuery, documentsQuery, LARGEST_PAGE, summaryQuery } from '../api/queries';
import { upTo } from '../api/pages';
import { useCurrent } from '../app/current';
import { useCalmly } from './useCalmly';
import type { ReleaseView } from './useReleaseView';

export type Row = Schemas['DocumentRow'];
export type Cause = Schemas['CauseJson'];

/** A cause with as many of its rows as were asked for; how to see more, where there are. */
export interface CauseRows {
  cause: Cause;
  rows: Row[];
  more: (() => void) | undefined;
}

const PAGE = 100;

/** The lines of the spread: grouped by cause where there is trouble, else one list that goes on as one scrolls. */
export function useRows(view: ReleaseView) {
  const { route } = useCurrent();
  const { family, from, to, text } = view;
  const summary = useQuery(summaryQuery({ route: route.code, family, from, to, text }));
  const grouped = useGrouped(view, summary.data?.causes ?? []);
  const flat = useFlat(view);
  return { summary, ...(view.grouped ? grouped : flat) };
}

/** The first page of every cause comes in one answer; of one that somebody wants more of, all that is wanted by itself. */
function useGrouped(view: ReleaseView, causes: Cause[]) {
  const { route } = useCurrent();
  const [shown, setShown] = useState<Record<string, number>>({});
  const refused = view.state === 'Refused';
  const own = view.grouped ? causes.filter((each) => each.cause.startsWith('refused:') === refused) : [];
  const kept = useQueryClient();
  const query = {
    route: route.code,
    family: view.family,
    from: view.from,
    to: view.to,
    text: view.text,
    order: view.order,
    descending: view.descending,
  };
  const first = useQuery({
    ...byCauseQuery({ ...query, state: view.state, limit: PAGE }),
    enabled: view.grouped,
  });
  const pageOf = (cause: string, limit: number) =>
    documentsQuery({ ...query, state: [view.state], firstCause: cause, limit });
  const grown = own.map((each) => each.cause).filter((cause) => shown[cause] !== undefined);
  const pages = useQueries({ queries: grown.map((cause) => pageOf(cause, shown[cause] ?? PAGE)) });
  const readAll = async () => {
    const all: Row[] = [];
    for (const each of own) {
      all.push(...(await kept.query(pageOf(each.cause, each.first))).rows);
    }
    return all;
  };
  const groups = own.map((cause): CauseRows => {
    const page = pages[grown.indexOf(cause.cause)]?.data ?? first.data?.[cause.cause];
    const more = () => setShown({ ...shown, [cause.cause]: (shown[cause.cause] ?? PAGE) + PAGE });
    return { cause, rows: page?.rows ?? [], more: page?.next ? more : undefined };
  });
  return {
    groups,
    readAll,
    rows: groups.flatMap((group) => group.rows),
    loading: first.isPending,
    error: first.error ?? pages.find((page) => page.error)?.error ?? null,
    begins: undefined,
    look: undefined,
  };
}

/** More pages are not kept: where one comes back to, it is read again. */
const KEPT = 12;
/** So near to the end of what is read, the next page is asked for. */
const NEAR = 60;

interface Place {
  /** Among all rows. */
  at: number;
  /** The key to go on from; empty where it is begun in the middle. */
  after: string;
  limit: number;
}

/** In the middle no more than what is seen at first, and a little around it: it is there the sooner. */
const FIRST = 50;
const AROUND = 8;
const beginning = (at: number): Place => ({ at, after: '', limit: at === 0 ? PAGE : FIRST });

/** A list that is read where it is looked at: page by page from there, in both directions. */
function useFlat(view: ReleaseView) {
  const { route } = useCurrent();
  const query = {
    route: route.code,
    family: view.family,
    state: view.state === 'All' ? undefined : [view.state],
    from: view.from,
    to: view.to,
    text: view.text,
    order: view.order,
    descending: view.descending,
  };
  const list = JSON.stringify(query);
  const [begun, setBegun] = useState({ list, at: 0 });
  const at = begun.list === list ? begun.at : 0;
  const pages = useInfiniteQuery({
    queryKey: ['documents', 'list', query, at],
    queryFn: ({ pageParam: { at: skip, after, limit }, signal }) =>
      answer(
        client.GET('/api/documents', {
          params: { query: { ...query, limit, ...(after === '' ? { skip } : { after }) } },
          signal,
        }),
      ),
    initialPageParam: beginning(at),
    getNextPageParam: (last, _, place): Place | undefined =>
      last.next === '' ? undefined : { at: place.at + last.rows.length, after: last.next, limit: PAGE },
    getPreviousPageParam: (_first, _all, place): Place | undefined =>
      place.at === 0
        ? undefined
        : { at: Math.max(0, place.at - PAGE), after: '', limit: Math.min(PAGE, place.at) },
    maxPages: KEPT,
    enabled: !view.grouped,
  });
  const rows = useMemo(() => (pages.data?.pages ?? []).flatMap((page) => page.rows), [pages.data]);
  const begins = (pages.data?.pageParams[0] as Place | undefined)?.at ?? at;
  const ends = begins + rows.length;
  const begin = useCalmly((first: number) => setBegun({ list, at: Math.max(0, first - AROUND) }));
  const look = (first: number, last: number) => {
    if (first > ends + PAGE || last < begins - PAGE) {
      begin(first);
    } else if (pages.isPending) {
      return;
    } else if (last > ends - NEAR && pages.hasNextPage && !pages.isFetching) {
      void pages.fetchNextPage();
    } else if (first < begins + NEAR && pages.hasPreviousPage && !pages.isFetching) {
      void pages.fetchPreviousPage();
    }
  };
  return {
    groups: undefined,
    rows,
    begins,
    look,
    readAll: async () => {
      const all = await upTo(Infinity, LARGEST_PAGE, (after, limit) =>
        answer(client.GET('/api/documents', { params: { query: { ...query, after, limit } } })),
      );
      return all.rows;
    },
    loading: pages.isPending,
    error: pages.error,
  };
}
