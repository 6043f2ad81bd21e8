import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../api/client';
import { workDone } from '../api/work';
import { NOTHING } from '../map/meaning';
import type { Supposed } from './address';

/** As the server takes it. */
export const asked = (
  route: string,
  { kind, code, meaning }: Supposed,
  expectedVersion: number,
  note = '',
) => ({
  route,
  kind,
  code,
  meaning: meaning ?? NOTHING,
  expectedVersion,
  remove: meaning === undefined,
  note,
});

export const whatIfQuery = (route: string, supposed: Supposed) =>
  queryOptions({
    queryKey: ['map', route, 'what-if', supposed],
    queryFn: () => workDone(client.POST('/api/map/what-if', { body: asked(route, supposed, 0) })),
  });

export const correctionsQuery = (route: string) =>
  queryOptions({
    queryKey: ['map', route, 'corrections'],
    queryFn: () => answer(client.GET('/api/map/corrections', { params: { query: { route } } })),
  });
