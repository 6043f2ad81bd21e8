import { queryOptions, useMutation } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { useDone } from '../undo/useTakeBack';

export type Tried = Schemas['BulkTried'];

/** Where many rows come from, as it is said: a file, another route, or this one at a moment. */
export interface From {
  says: string;
  file?: File;
  rows?: { from: string } | { moment: string };
}

export const bulksQuery = (route: string) =>
  queryOptions({
    queryKey: ['map', route, 'bulk'],
    queryFn: () => answer(client.GET('/api/map/bulk', { params: { query: { route } } })),
  });

/** Does what was tried, and offers to take it back as a whole. */
export function useCarryOut(onDone: () => void) {
  const refresh = useRefresh();
  const done = useDone();
  return useMutation({
    mutationFn: (id: number) =>
      workDone(client.POST('/api/map/bulk/{id}/doing', { params: { path: { id } } })),
    onSuccess: (carriedOut) => {
      onDone();
      done(carriedOut.sentence, { what: 'bulk', id: carriedOut.id });
    },
    onSettled: refresh,
  });
}

/** `12 changed, 3 added, 1 taken away, 40 as they are`. */
export const outcome = ({ changed, added, takenAway, unchanged }: Tried): string =>
  [
    changed > 0 && `${changed} would change`,
    added > 0 && `${added} would be new`,
    takenAway > 0 && `${takenAway} would be taken away`,
    unchanged > 0 && `${unchanged} stay as they are`,
  ]
    .filter((part) => part !== false)
    .join(', ') || 'Nothing would change';
