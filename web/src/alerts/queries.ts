import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../api/client';

const MINUTE = 60_000;

/** What there is to tell of a route, and who is told. Days pass without anybody saying so: it is looked at again. */
export const alertsQuery = (route: string) =>
  queryOptions({
    queryKey: ['alerts', route],
    refetchInterval: MINUTE,
    queryFn: () => answer(client.GET('/api/alerts', { params: { query: { route } } })),
  });
