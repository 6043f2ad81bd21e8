import { useMutation } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';

/** Settles documents of a batch by hand. */
export function useSettle(batch: number, onDone?: () => void) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: (said: Schemas['SettleJson']) =>
      answer(client.POST('/api/batches/{id}/settle', { params: { path: { id: batch } }, body: said })),
    onSuccess: async () => {
      await refresh();
      onDone?.();
    },
  });
}
