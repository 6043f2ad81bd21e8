import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { AskedFirst } from '../ui/AskedFirst';
import { useDone } from '../undo/useTakeBack';

/** Says of a record that nobody is to be asked about it any more; what that does is said first. */
export function LeaveAlone({ document }: { document: Schemas['DocumentRow'] }) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const done = useDone();
  const [asked, setAsked] = useState(false);
  const leave = useMutation({
    mutationFn: () =>
      answer(client.PUT('/api/documents/{id}/left-alone', { params: { path: { id: document.id } } })),
    onSuccess: () => {
      setAsked(false);
      done(`${document.number} is left alone`, { what: 'alone', id: document.id, number: document.number });
    },
    onSettled: refresh,
  });
  useHotkeys('x', () => setAsked(true), { enabled: !asked, preventDefault: true });
  return (
    <AskedFirst
      button="Leave it alone"
      hotkey="x"
      asked={asked}
      onAsked={setAsked}
      says={`Leave ${document.number} alone`}
      otherwise="Keep asking"
      ready
      doing={leave}
      onDo={() => leave.mutate()}
    >
      {route.source} and {route.ledger} keep what they have: nothing of {document.number} is sent or asked
      about any more, until somebody looks after it again on its own page.
    </AskedFirst>
  );
}
