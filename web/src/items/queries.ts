import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';

export type NameAlike = Schemas['NameAlike'];
export type Rewriting = Schemas['RewritingJson'];
export type RewritingRow = Schemas['RewritingRow'];

export const namesQuery = (route: string) =>
  queryOptions({
    queryKey: ['map', route, 'names'],
    queryFn: () => answer(client.GET('/api/items/names', { params: { query: { route } } })),
  });

/** The rewriting that was begun last, if any. */
export const rewritingQuery = (route: string) =>
  queryOptions({
    queryKey: ['map', route, 'rewriting'],
    queryFn: async () =>
      (await answer(client.GET('/api/items/rewritings', { params: { query: { route } } })))[0] ?? null,
  });
