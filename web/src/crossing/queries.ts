import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import type { Changes } from './rows';

const listed = (changes: Changes) => Object.entries(changes).map(([name, value]) => `${name} ${value}`);

export const crossingQuery = (route: string) =>
  queryOptions({
    queryKey: ['connect', 'settings', route, 'crossing'],
    queryFn: () => answer(client.GET('/api/settings/crossing', { params: { query: { route } } })),
  });

/** @param changes at least one; what is as decided shows what waits now */
export const effectQuery = (route: string, changes: Changes) =>
  queryOptions({
    queryKey: ['connect', 'settings', route, 'effect', changes],
    queryFn: () =>
      workDone(
        client.GET('/api/settings/crossing/effect', {
          params: { query: { route, change: listed(changes) } },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

/** What becomes of the fields of parties or items on both sides. */
export const mastersEffectQuery = (
  route: string,
  kind: Schemas['MasterCauseJson']['kind'],
  changes: Changes,
) =>
  queryOptions({
    queryKey: ['connect', 'settings', route, kind, changes],
    queryFn: () =>
      answer(
        client.GET('/api/settings/crossing/masters', {
          params: { query: { route, kind, change: listed(changes) } },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const shownQuery = (route: string, changes: Changes, document?: number) =>
  queryOptions({
    queryKey: ['connect', 'settings', route, 'shown', changes, document],
    queryFn: () =>
      answer(
        client.GET('/api/settings/crossing/preview', {
          params: { query: { route, change: listed(changes), document } },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
