import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from './client';
import { together, upTo } from './pages';
import { follow } from '../ui/format';
import { lookAgain } from '../news/heard';
import { workDone, workEnded } from './work';
import type { paths } from './schema';

export type DocumentsQuery = paths['/api/documents']['get']['parameters']['query'];
export const meQuery = queryOptions({
  queryKey: ['me'],
  queryFn: async () => {
    const me = await answer(client.GET('/api/session'));
    // Before anything is written.
    follow(me.conventions);
    return me;
  },
  staleTime: Infinity,
  retry: false,
});

export const routesQuery = queryOptions({
  queryKey: ['routes'],
  queryFn: () => answer(client.GET('/api/routes')),
  staleTime: Infinity,
});

export const roadQuery = (route: string) =>
  queryOptions({
    queryKey: ['road', route],
    queryFn: () => answer(client.GET('/api/road', { params: { query: { route } } })),
    refetchInterval: (query) => lookAgain(query.state.data?.sending ? 5_000 : 30_000),
  });

type Asked = NonNullable<paths['/api/summary']['get']['parameters']['query']>;

export type RecordKind = NonNullable<Asked['kind']>[number];

/** What of a route is summed up. */
export interface Summed {
  route: string;
  kind?: RecordKind[] | undefined;
  from?: string | undefined;
  to?: string | undefined;
  text?: string | undefined;
}

export const summaryQuery = (query: Summed) =>
  queryOptions({
    queryKey: ['documents', 'summary', query],
    queryFn: () => answer(client.GET('/api/summary', { params: { query } })),
    placeholderData: keepPreviousData,
  });

/** The server gives no more at once. */
export const LARGEST_PAGE = 500;

export const documentsQuery = (query: DocumentsQuery) =>
  queryOptions({
    queryKey: ['documents', 'page', query],
    queryFn: () =>
      upTo(query.limit ?? LARGEST_PAGE, LARGEST_PAGE, (after, limit) =>
        answer(client.GET('/api/documents', { params: { query: { ...query, after, limit } } })),
      ),
    placeholderData: keepPreviousData,
  });

export const byCauseQuery = (query: paths['/api/documents/by-cause']['get']['parameters']['query']) =>
  queryOptions({
    queryKey: ['documents', 'by-cause', query],
    queryFn: () => answer(client.GET('/api/documents/by-cause', { params: { query } })),
    placeholderData: keepPreviousData,
  });

export const documentQuery = (id: number) =>
  queryOptions({
    queryKey: ['documents', 'one', id],
    queryFn: () => answer(client.GET('/api/documents/{id}', { params: { path: { id } } })),
  });

/** Asks both sides, which takes as long as they take; what they say holds while it is looked at. */
export const whoChangedQuery = (id: number) =>
  queryOptions({
    queryKey: ['who-changed', id],
    queryFn: () => answer(client.POST('/api/documents/{id}/who-changed', { params: { path: { id } } })),
    staleTime: 60_000,
  });

export const whyQuery = (id: number) =>
  queryOptions({
    queryKey: ['documents', 'why', id],
    queryFn: () => answer(client.GET('/api/documents/{id}/why', { params: { path: { id } } })),
  });

export const trailQuery = (id: number) =>
  queryOptions({
    queryKey: ['documents', 'trail', id],
    queryFn: () => answer(client.GET('/api/documents/{id}/trail', { params: { path: { id } } })),
  });

export const findQuery = (text: string) =>
  queryOptions({
    queryKey: ['documents', 'find', text],
    queryFn: () => answer(client.GET('/api/find', { params: { query: { text } } })),
    enabled: text.trim().length > 1,
    placeholderData: keepPreviousData,
  });

export const waitingQuery = queryOptions({
  queryKey: ['batches', 'waiting'],
  queryFn: () => answer(client.GET('/api/waiting')),
  refetchInterval: (query) => lookAgain(query.state.data?.some((each) => each.onItsWay > 0) ? 5_000 : 30_000),
});

export const setAsideQuery = queryOptions({
  queryKey: ['connect', 'set-aside'],
  queryFn: () => answer(client.GET('/api/set-aside')),
});

export const batchesQuery = (route: string) =>
  queryOptions({
    queryKey: ['batches', route],
    queryFn: () => answer(client.GET('/api/batches', { params: { query: { route } } })),
    refetchInterval: (query) => query.state.data?.some((batch) => !batch.finishedAt) && lookAgain(5_000),
  });

/** Work behind requests that is going on now. */
export const runningQuery = queryOptions({
  queryKey: ['work'],
  queryFn: () => answer(client.GET('/api/work')),
  refetchInterval: () => lookAgain(15_000),
});

type BatchDetail = Schemas['BatchDetail'];

/** All of a batch the first time and once it has ended; meanwhile what has moved since. */
async function readBatch(id: number, known: BatchDetail | undefined): Promise<BatchDetail> {
  const read = (since?: string) =>
    answer(client.GET('/api/batches/{id}', { params: { path: { id }, query: { since } } }));
  if (known && !known.batch.finishedAt) {
    const now = await read(known.asOf);
    if (!now.batch.finishedAt) {
      return { ...now, dispatches: together(known.dispatches, now.dispatches) };
    }
  }
  return read();
}

export const batchQuery = (id: number) =>
  queryOptions({
    queryKey: ['batch', id],
    queryFn: ({ client: kept, queryKey }) => readBatch(id, kept.getQueryData<BatchDetail>(queryKey)),
    refetchInterval: (query) =>
      query.state.data !== undefined && !query.state.data.batch.finishedAt && lookAgain(5_000),
  });

/** @param records none for all that can be taken back */
export const undoQuery = (id: number, records: number[], on: string | undefined) =>
  queryOptions({
    queryKey: ['batch', id, 'undo', on ?? '', records],
    queryFn: () =>
      answer(
        client.POST('/api/batches/{id}/undo/preview', {
          params: { path: { id } },
          body: { records, ...(on !== undefined && { on }) },
        }),
      ),
  });

export type ReferenceKind =
  'ACCOUNT' | 'TAX_CODE' | 'PARTY' | 'ITEM' | 'DIMENSION' | 'RATE' | 'TERM' | 'FIELD';

export const connectQuery = queryOptions({
  queryKey: ['connect', 'all'],
  queryFn: () => answer(client.GET('/api/connect')),
  // A ledger that was just connected is still being pulled.
  refetchInterval: (query) =>
    query.state.data?.ledgers.some((ledger) => ledger.state === 'connected' && !ledger.pulledAt) &&
    lookAgain(3_000),
});

export const consentQuery = (state: string) =>
  queryOptions({
    queryKey: ['consent', state],
    queryFn: () => workDone(client.GET('/api/connect/consents/{state}', { params: { path: { state } } })),
    staleTime: Infinity,
  });

export const countsQuery = (route: string) =>
  queryOptions({
    queryKey: ['connect', 'counts', route],
    queryFn: () => workDone(client.GET('/api/connect/counts', { params: { query: { route } } })),
  });

export const movePlanQuery = (route: string, toLedger: number) =>
  queryOptions({
    queryKey: ['connect', 'move', route, toLedger],
    queryFn: () => answer(client.GET('/api/map/move', { params: { query: { route, toLedger } } })),
  });

export const pullsQuery = (id: number) =>
  queryOptions({
    queryKey: ['connect', 'pulls', id],
    queryFn: () => answer(client.GET('/api/connect/ledgers/{id}/pulls', { params: { path: { id } } })),
    refetchInterval: (query) => query.state.data?.[0]?.state === 'running' && lookAgain(3_000),
  });

export const pullChangesQuery = (pull: number) =>
  queryOptions({
    queryKey: ['connect', 'changes', pull],
    queryFn: () => answer(client.GET('/api/connect/pulls/{pull}/changes', { params: { path: { pull } } })),
  });

export const referenceQuery = (id: number, kind: ReferenceKind, text: string, hidden: boolean) =>
  infiniteQueryOptions({
    queryKey: ['connect', 'reference', id, kind, text, hidden],
    queryFn: ({ pageParam }) =>
      answer(
        client.GET('/api/connect/ledgers/{id}/reference/{kind}', {
          params: { path: { id, kind }, query: { text, hidden, after: pageParam } },
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (page) => (page.next === '' ? undefined : page.next),
    placeholderData: keepPreviousData,
  });

export const usesQuery = (id: number, kind: ReferenceKind, code: string) =>
  queryOptions({
    queryKey: ['connect', 'uses', id, kind, code],
    queryFn: () =>
      answer(
        client.GET('/api/connect/ledgers/{id}/reference/{kind}/uses', {
          params: { path: { id, kind }, query: { code } },
        }),
      ),
  });

export const firstQuery = queryOptions({
  queryKey: ['first'],
  queryFn: () => answer(client.GET('/api/first')),
});

export const peopleQuery = queryOptions({
  queryKey: ['people'],
  queryFn: () => answer(client.GET('/api/people')),
});

export const tokensOfQuery = (signIn: string) =>
  queryOptions({
    queryKey: ['people', 'tokens', signIn],
    queryFn: () => answer(client.GET('/api/people/{signIn}/tokens', { params: { path: { signIn } } })),
  });

export const sessionsQuery = queryOptions({
  queryKey: ['sessions'],
  queryFn: () => answer(client.GET('/api/session/all')),
});

export const conventionsQuery = queryOptions({
  queryKey: ['conventions'],
  queryFn: () => answer(client.GET('/api/session/conventions')),
});

export const tokensQuery = queryOptions({
  queryKey: ['tokens'],
  queryFn: () => answer(client.GET('/api/session/tokens')),
});

const TRAIL_PAGE = 100;

export const settingsTrailQuery = (who: string, text: string) =>
  infiniteQueryOptions({
    queryKey: ['trail', who, text],
    queryFn: ({ pageParam }) =>
      answer(client.GET('/api/trail', { params: { query: { who, text, before: pageParam } } })),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: (page) => (page.length < TRAIL_PAGE ? undefined : page.at(-1)?.id),
    placeholderData: keepPreviousData,
  });

export const readinessQuery = (route: string) =>
  queryOptions({
    queryKey: ['readiness', route],
    queryFn: async ({ client: kept }) => {
      const { id, result } = await workEnded(client.GET('/api/readiness', { params: { query: { route } } }));
      // The road says what was judged last, which is this.
      void kept.invalidateQueries({ queryKey: ['road'] });
      return { ...result, report: `/api/readiness/${id}/report.pdf?route=${encodeURIComponent(route)}` };
    },
    staleTime: 0,
  });

export const setupQuery = (route: string) =>
  queryOptions({
    queryKey: ['connect', 'setup', route],
    queryFn: () => answer(client.GET('/api/setup', { params: { query: { route } } })),
    staleTime: 0,
    refetchInterval: (query) =>
      query.state.data?.steps.some((step) => step.step === 'LEDGER' && step.open > 0) && lookAgain(3_000),
  });

export type SettingName = Schemas['SettingJson']['setting'];

export const settingsQuery = (route: string) =>
  queryOptions({
    queryKey: ['connect', 'settings', route],
    queryFn: () => answer(client.GET('/api/settings', { params: { query: { route } } })),
  });

export const settingPreviewQuery = (route: string, setting: SettingName, value: string, document?: number) =>
  queryOptions({
    queryKey: ['connect', 'settings', route, 'preview', setting, value, document],
    queryFn: () =>
      answer(client.GET('/api/settings/preview', { params: { query: { route, setting, value, document } } })),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const settingHistoryQuery = (route: string, setting: SettingName, version: number) =>
  queryOptions({
    queryKey: ['connect', 'settings', route, 'history', setting, version],
    queryFn: () => answer(client.GET('/api/settings/history', { params: { query: { route, setting } } })),
  });

export const numbersQuery = (route: string) =>
  queryOptions({
    queryKey: ['connect', 'numbers', route],
    queryFn: () => workDone(client.GET('/api/settings/numbers', { params: { query: { route } } })),
    retry: false,
  });

export const endingQuery = (route: string) =>
  queryOptions({
    queryKey: ['connect', 'ways', 'ending', route],
    queryFn: () => answer(client.GET('/api/map/ways/ending', { params: { query: { route } } })),
  });

export const waysQuery = (source: number, site: string, ledger: string) =>
  queryOptions({
    queryKey: ['connect', 'ways', source, site, ledger],
    queryFn: () => answer(client.GET('/api/map/ways', { params: { query: { source, site, ledger } } })),
  });
