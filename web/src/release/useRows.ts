import { useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { byCauseQuery, documentsQuery, LARGEST_PAGE, summaryQuery } from '../api/queries';
import { upTo } from '../api/pages';
import { useCurrent } from '../app/current';
import { useWindow } from '../ui/book/useWindow';
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
  const { kind, from, to, text } = view;
  const summary = useQuery(summaryQuery({ route: route.code, kind, from, to, text }));
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
    kind: view.kind,
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

/** A list that is read where it is looked at. */
function useFlat(view: ReleaseView) {
  const { route } = useCurrent();
  const query = {
    route: route.code,
    kind: view.kind,
    state: view.state === 'All' ? undefined : [view.state],
    from: view.from,
    to: view.to,
    text: view.text,
    order: view.order,
    descending: view.descending,
  };
  const { rows, begins, look, loading, error } = useWindow<Row>({
    list: ['documents', 'list', query],
    read: ({ at, after, limit }, signal) =>
      answer(
        client.GET('/api/documents', {
          params: { query: { ...query, limit, ...(after === '' ? { skip: at } : { after }) } },
          signal,
        }),
      ),
    enabled: !view.grouped,
  });
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
    loading,
    error,
  };
}
