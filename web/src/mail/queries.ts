import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../api/client';

const SOON = 2000;

/** What was sent of a batch, and how the next one would be worded. */
export const mailsQuery = (batch: number) =>
  queryOptions({
    queryKey: ['batch', batch, 'mail'],
    queryFn: () => answer(client.GET('/api/batches/{id}/mail', { params: { path: { id: batch } } })),
    refetchInterval: (query) =>
      query.state.data?.mails.some((each) => each.outcome === 'queued') === true && SOON,
  });
