import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';

export type CutOver = Schemas['CutOverJson'];
export type CutOverRow = Schemas['CutOverRow'];
export type Standing = CutOverRow['standing'];

/** What both sides had open on the day that was asked for last; null when none was. */
export const cutOverQuery = (route: string) =>
  queryOptions({
    queryKey: ['cut-over', route],
    queryFn: async () =>
      (await answer(client.GET('/api/cut-over', { params: { query: { route } } }))).cutOver ?? null,
  });
