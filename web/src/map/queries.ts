import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';

export type MapKind =
  | 'item'
  | 'category'
  | 'tax'
  | 'party'
  | 'supplier'
  | 'project'
  | 'site'
  | 'line_kind'
  | 'role'
  | 'line'
  | 'means'
  | 'payer'
  | 'terms'
  | 'field'
  | 'choice';

/** As many rows as a screen that shows few of them needs: what is open first. */
export const openRowsQuery = (route: string, kind: MapKind) =>
  queryOptions({
    queryKey: ['map', route, kind, 'open'],
    queryFn: () => mapPage(route, kind, { limit: 500 }),
  });

interface MapPart {
  text?: string;
  only?: string;
  skip?: number;
  limit?: number;
}

export const mapPage = (route: string, kind: MapKind, part: MapPart, signal?: AbortSignal) =>
  answer(
    client.GET('/api/map/{kind}', {
      params: { path: { kind: kind as never }, query: { route, ...part } },
      signal,
    }),
  );

/** How much of each crosswalk stands. */
export const crosswalksQuery = (route: string) =>
  queryOptions({
    queryKey: ['map', route, 'summary'],
    queryFn: () => answer(client.GET('/api/map/summary', { params: { query: { route } } })),
  });

export const likenessQuery = (route: string, code: string) =>
  queryOptions({
    queryKey: ['map', route, 'party', 'likeness', code],
    queryFn: () => answer(client.GET('/api/map/parties/likeness', { params: { query: { route, code } } })),
  });

const CHANGES = 200;

/** What was changed last, of all kinds; the next page goes on before the last change of the one before. */
export const changesQuery = (route: string) =>
  infiniteQueryOptions({
    queryKey: ['map', route, 'changes'],
    queryFn: ({ pageParam: before }) =>
      answer(
        client.GET('/api/map/changes', {
          params: { query: { route, limit: CHANGES, ...(before === '' ? {} : { before }) } },
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (last) => (last.length < CHANGES ? undefined : last.at(-1)?.setAt),
  });

/** @param moment as an ISO instant */
export const thenQuery = (route: string, moment: string, all: boolean) =>
  queryOptions({
    queryKey: ['map', route, 'then', moment, all],
    queryFn: () => answer(client.GET('/api/map/then', { params: { query: { route, moment, all } } })),
  });

/** Asked anew by whoever changes it, since the version seen is what the change is compared with. */
export const rowQuery = (route: string, kind: Schemas['ChangeRow']['kind'], code: string) =>
  queryOptions({
    queryKey: ['map', route, 'row', kind, code],
    queryFn: () => answer(client.GET('/api/map/row', { params: { query: { route, kind, code } } })),
    staleTime: 0,
  });

/** What a row of a field would make of real documents. */
export const trialQuery = (route: string, code: string, meaning: Schemas['Meaning']) =>
  queryOptions({
    queryKey: ['map', route, 'trial', code, meaning],
    queryFn: () => answer(client.POST('/api/map/fields/trial', { body: { route, code, meaning } })),
    retry: false,
  });

/** What waits on every route, and what failed. */
