import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query';
import { answer, client } from '../api/client';

const PAGE = 100;
/** A run that goes on is looked at again. */
const SOON = 3_000;
const LATER = 30_000;

export type Only = 'ALL' | 'NEWS' | 'FAILED' | 'BY_HAND' | 'BY_SCHEDULE';

export const runsQuery = (route: string, only: Only = 'ALL') =>
  infiniteQueryOptions({
    queryKey: ['connect', 'runs', route, only],
    queryFn: ({ pageParam }) =>
      answer(client.GET('/api/runs', { params: { query: { route, only, before: pageParam, limit: PAGE } } })),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: (page) => (page.more ? page.runs.at(-1)?.id : undefined),
    refetchInterval: (query) =>
      query.state.data?.pages[0]?.runs.some((each) => each.state === 'running') ? SOON : LATER,
  });

export const runQuery = (route: string, id: number) =>
  queryOptions({
    queryKey: ['connect', 'runs', route, id],
    queryFn: () => answer(client.GET('/api/runs/{id}', { params: { path: { id }, query: { route } } })),
    placeholderData: keepPreviousData,
  });

export const runRecordsQuery = (route: string, id: number, what: string, kind: string) =>
  queryOptions({
    queryKey: ['connect', 'runs', route, id, what, kind],
    queryFn: () =>
      answer(
        client.GET('/api/runs/{id}/records', { params: { path: { id }, query: { route, what, kind } } }),
      ),
  });

export const scheduleQuery = (route: string) =>
  queryOptions({
    queryKey: ['connect', 'schedule', route],
    queryFn: () => answer(client.GET('/api/runs/schedule', { params: { query: { route } } })),
    refetchInterval: LATER,
  });
