import { useInfiniteQuery, useQueries, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { documentsQuery, summaryQuery } from '../api/queries';
import { useCurrent } from '../app/current';
import type { ReleaseView } from './useReleaseView';

export type Row = Schemas['DocumentRow'];
export type Cause = Schemas['CauseJson'];
export type Item =
  | { type: 'cause'; key: string; cause: Cause }
  | { type: 'row'; key: string; row: Row }
  | { type: 'more'; key: string; more: () => void };

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
  const pages = useQueries({
    queries: own.map((each) =>
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
        limit: shown[each.cause] ?? PAGE,
      }),
    ),
  });
  const items = own.flatMap((cause, index): Item[] => {
    const page = pages[index]?.data;
    const rows = (page?.rows ?? []).map((row): Item => ({ type: 'row', key: `${row.id}`, row }));
    const more = () => setShown({ ...shown, [cause.cause]: (shown[cause.cause] ?? PAGE) + PAGE });
    return [
      { type: 'cause', key: cause.cause, cause },
      ...rows,
      ...(page?.next ? [{ type: 'more', key: `more ${cause.cause}`, more } as const] : []),
    ];
  });
  return {
    items,
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
  const items = (pages.data?.pages ?? []).flatMap((page) =>
    page.rows.map((row): Item => ({ type: 'row', key: `${row.id}`, row })),
  );
  return {
    items,
    loading: pages.isPending,
    error: pages.error,
    more: () => {
      if (pages.hasNextPage && !pages.isFetchingNextPage) {
        void pages.fetchNextPage();
      }
    },
  };
}
