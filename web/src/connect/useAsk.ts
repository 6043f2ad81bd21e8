import { useMutation } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { useNotice } from '../ui/notices';

/** Sends the person to the ledger to ask for its consent: for a new connection, or for one that is there again. */
export function useAsk() {
  const notice = useNotice();
  return useMutation({
    mutationFn: (ask: Schemas['AskConsent']) => answer(client.POST('/api/connect/consents', { body: ask })),
    onSuccess: ({ address }) => window.location.assign(address),
    onError: (error) => notice({ tone: 'failed', text: error.message }),
  });
}
