import { useMutation } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { plural } from '../ui/format';
import { useNotice } from '../ui/notices';

type Paired = Schemas['Paired'];

/** Pairs documents of both sides, and takes such pairs apart; both can be undone by the other. */
export function usePairing(route: string, onDone: () => void) {
  const refresh = useRefresh();
  const notice = useNotice();
  const told = (done: Paired, what: string) => {
    onDone();
    notice(
      done.left === 0
        ? { tone: 'done', text: `${plural(done.done, 'document')} ${what}` }
        : { tone: 'failed', text: `${done.done} ${what}, ${done.left} left: ${done.reasons.join(' ')}` },
    );
  };
  const pair = useMutation({
    mutationFn: (pairs: { record: number; there: string }[]) =>
      workDone(client.POST('/api/cut-over/pairs', { body: { route, pairs } })),
    onSuccess: (done) => told(done, 'paired; what settles them can cross'),
    onSettled: refresh,
  });
  const apart = useMutation({
    mutationFn: (records: number[]) =>
      answer(client.POST('/api/cut-over/pairs/apart', { body: { route, records } })),
    onSuccess: (done) => told(done, 'taken apart'),
    onSettled: refresh,
  });
  return { pair, apart };
}
