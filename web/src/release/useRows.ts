import { useInfiniteQuery, useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { documentsQuery, summaryQuery } from '../api/queries';
import { toTheEnd } from '../api/toTheEnd';
import { useCurrent } from '../app/current';
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

function useGrouped(view: ReleaseView, causes: Cause[]) {
  const { route } = useCurrent();
  const [shown, setShown] = useState<Record<string, number>>({});
  const refused = view.state === 'Refused';
  const own = view.grouped ? causes.filter((each) => each.cause.startsWith('refused:') === refused) : [];
  const kept = useQueryClient();
  const pageOf = (each: Cause, limit: number) =>
    documentsQuery({
      route: route.code,
      family: view.family,
      state: [view.state],
      from: view.from,
      to: view.to,
      text: view.text,
      firstCause: each.cause,
      order: view.order,
      descending: view.descending,
      limit,
    });
  const pages = useQueries({ queries: own.map((each) => pageOf(each, shown[each.cause] ?? PAGE)) });
  const readAll = async () => {
    const all: Row[] = [];
    for (const each of own) {
      all.push(...(await kept.query(pageOf(each, each.first))).rows);
    }
    return all;
  };
  const groups = own.map((cause, index): CauseRows => {
    const page = pages[index]?.data;
    const more = () => setShown({ ...shown, [cause.cause]: (shown[cause.cause] ?? PAGE) + PAGE });
    return { cause, rows: page?.rows ?? [], more: page?.next ? more : undefined };
  });
  return {
    groups,
    readAll,
    rows: groups.flatMap((group) => group.rows),
    loading: pages.some((page) => page.isPending),
    error: pages.find((page) => page.error)?.error ?? null,
    more: () => undefined,
  };
}

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
    limit: PAGE,
  };
  const pages = useInfiniteQuery({
    queryKey: ['documents', 'list', query],
    queryFn: ({ pageParam }) =>
      answer(client.GET('/api/documents', { params: { query: { ...query, after: pageParam } } })),
    initialPageParam: '',
    getNextPageParam: (last) => last.next || undefined,
    enabled: !view.grouped,
  });
  const rows = useMemo(() => (pages.data?.pages ?? []).flatMap((page) => page.rows), [pages.data]);
  return {
    groups: undefined,
    rows,
    readAll: async () => (await toTheEnd(pages)).flatMap((page) => page.rows),
    loading: pages.isPending,
    error: pages.error,
    more: () => {
      if (pages.hasNextPage && !pages.isFetchingNextPage) {
        void pages.fetchNextPage();
      }
    },
  };
}
