import { useMutation } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { answer, client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { useNotice } from '../ui/notices';

/** Asks at once what became of what was sent without an answer; nothing is sent twice by it. */
export function AskNow({ batch }: { batch: number }) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const ask = useMutation({
    mutationFn: () => answer(client.POST('/api/batches/{id}/retry', { params: { path: { id: batch } } })),
    onSuccess: () => notice({ tone: 'done', text: `${route.ledger} is asked what became of batch ${batch}` }),
    onSettled: refresh,
  });
  useHotkeys('1', () => ask.mutate(), { enabled: !ask.isPending });
  return (
    <>
      <button type="button" className="act act-main" disabled={ask.isPending} onClick={() => ask.mutate()}>
        Ask {route.ledger} now <Key>1</Key>
      </button>
      {ask.error && <Failure error={ask.error} />}
    </>
  );
}
