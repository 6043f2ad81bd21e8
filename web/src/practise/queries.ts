import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../api/client';

/** What was practised on a route, and what can be. */
export const practiseQuery = (route: string) =>
  queryOptions({
    queryKey: ['practise', route],
    queryFn: () => answer(client.GET('/api/practise', { params: { query: { route } } })),
    retry: false,
  });
