import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';

export type Held = Schemas['HeldJson'];
export type HeldCause = Schemas['HeldCauseJson'];
export type HeldRecord = Schemas['HeldRecordJson'];

/** What was sent and does not stand as it should, by cause. */
export const heldQuery = (route: string) =>
  queryOptions({
    queryKey: ['held', route],
    queryFn: () => answer(client.GET('/api/resolve', { params: { query: { route } } })),
  });
