import { useMutation } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { useNotice } from '../ui/notices';
import { useDone } from '../undo/useTakeBack';
import type { Choice } from './queries';

type Document = Schemas['DocumentRow'];

/** What came of it, and whether that can be taken back. */
interface Done {
  says: string;
  undo: boolean;
}

async function carryOut(what: Choice['what'], document: Document): Promise<Done> {
  const params = { path: { id: document.id } };
  switch (what) {
    case 'UNLINK': {
      const said = await answer(client.DELETE('/api/documents/{id}/link', { params }));
      return { says: said.sentence, undo: true };
    }
    case 'LEAVE_ALONE':
      await answer(client.PUT('/api/documents/{id}/left-alone', { params }));
      return { says: `${document.number} is left alone`, undo: true };
    case 'LOOK_AFTER':
      await answer(client.DELETE('/api/documents/{id}/left-alone', { params }));
      return { says: `${document.number} is looked after again`, undo: false };
    case 'BRING_BACK': {
      const said = await workDone(client.POST('/api/documents/{id}/fields-back', { params }));
      return { says: said.sentence, undo: false };
    }
    case 'LOOK': {
      const said = await workDone(
        client.POST('/api/pull/records', { body: { route: document.route, records: [document.id] } }),
      );
      return { says: said.sentence, undo: false };
    }
    case 'LINK':
      throw new Error('what it is linked to is looked up first');
  }
}

/** Does one thing with a single record. */
export function useDoing(document: Document, onDone: () => void) {
  const refresh = useRefresh();
  const notice = useNotice();
  const done = useDone();
  return useMutation({
    mutationFn: (what: Choice['what']) => carryOut(what, document),
    onSuccess: ({ says, undo }) => {
      onDone();
      if (undo) {
        done(says, { what: 'alone', id: document.id, number: document.number });
      } else {
        notice({ tone: 'done', text: says });
      }
    },
    onSettled: refresh,
  });
}
