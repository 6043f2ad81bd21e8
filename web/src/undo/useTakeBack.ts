import { useMutation } from '@tanstack/react-query';
import { answer, ApiError, client } from '../api/client';
import { workDone } from '../api/work';
import { useConnectRefresh } from '../connect/useConnectRefresh';
import { useNotice } from '../ui/notices';
import type { Deed, Undoing } from './deeds';
import { did, done } from './store';

/** What came of it, as a sentence. */
async function takeBack(undoing: Undoing): Promise<string> {
  switch (undoing.what) {
    case 'row': {
      const { sentence } = await workDone(client.PUT('/api/map/row', { body: undoing.change }));
      if (undoing.correction) {
        await answer(
          client.PUT('/api/map/corrections/{id}', {
            params: { path: { id: undoing.correction } },
            body: { expected: 'DRAFT', state: 'DROPPED', ledgerNumber: '' },
          }),
        );
      }
      return sentence;
    }
    case 'rows':
      return (await workDone(client.POST('/api/map/rows/removal', { body: undoing.rows }))).sentence;
    case 'bulk':
      return (
        await workDone(client.POST('/api/map/bulk/{id}/undoing', { params: { path: { id: undoing.id } } }))
      ).sentence;
    case 'setting':
      return (await workDone(client.PUT('/api/settings', { body: undoing.setting }))).sentence;
    case 'party':
      await answer(client.PUT('/api/map/parties/hidden', { body: undoing.party }));
      return `${undoing.party.code} is ${undoing.party.hidden ? 'out of sight' : 'back in sight'} again`;
    case 'entered':
      await answer(client.POST('/api/resolve/warnings/entered', { body: undoing.said }));
      return 'it is asked about again';
    case 'alone':
      await answer(client.DELETE('/api/documents/{id}/left-alone', { params: { path: { id: undoing.id } } }));
      return `${undoing.number} is looked after again`;
    case 'hidden':
      await answer(
        client.PUT('/api/connect/ledgers/{id}/reference/{kind}/hidden', {
          params: { path: { id: undoing.ledger, kind: undoing.kind } },
          body: { code: undoing.code, hidden: undoing.hidden },
        }),
      );
      return `${undoing.code} is ${undoing.hidden ? 'hidden' : 'shown'} again`;
  }
}

/** What cannot be taken back any more is said to be so once; what failed for a moment stays. */
const isOver = (error: Error) => error instanceof ApiError && error.status >= 400 && error.status < 500;

export function useTakeBack() {
  const notice = useNotice();
  const refresh = useConnectRefresh();
  return useMutation({
    mutationFn: (deed: Deed) => takeBack(deed.undoing),
    onSuccess: async (sentence, deed) => {
      done(deed);
      await refresh();
      notice({ tone: 'done', text: `Undone; ${sentence}` });
    },
    onError: async (error, deed) => {
      if (isOver(error)) {
        done(deed);
      }
      await refresh();
      notice({ tone: 'failed', text: error.message });
    },
  });
}

/** Says what was done, and that it can be taken back. */
export function useDone() {
  const notice = useNotice();
  const back = useTakeBack();
  return (says: string, undoing: Undoing) => {
    const deed = did(says, undoing);
    notice({ tone: 'done', text: says, undo: () => back.mutate(deed) });
  };
}
