import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';

export type Load = Schemas['LoadJson'];
export type LoadKind = Schemas['LoadKind'];

const SOON = 2000;

export const loadQuery = (route: string) =>
  queryOptions({
    queryKey: ['load', route],
    queryFn: async () =>
      (await answer(client.GET('/api/loads', { params: { query: { route } } }))).load ?? null,
    refetchInterval: (query) => query.state.data?.state === 'RUNNING' && SOON,
  });

/** What there is since a day, by kind. */
export const loadPreviewQuery = (route: string, since: string) =>
  queryOptions({
    queryKey: ['load', route, 'since', since],
    queryFn: () => answer(client.GET('/api/loads/preview', { params: { query: { route, since } } })),
  });
