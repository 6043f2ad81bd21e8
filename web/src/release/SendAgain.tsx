import { useMutation } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import type { Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { sendOne } from '../send/sendShown';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';

/** What the one button for a record says; empty when there is none. */
function sendWord(
  document: Schemas['DocumentRow'],
  since: Schemas['Since'],
  route: { source: string; ledger: string },
) {
  const to = document.origin === 'ledger' ? route.source : route.ledger;
  if (document.state === 'Ready') {
    return `Send to ${to}`;
  }
  if (document.state === 'Refused') {
    return 'Send it again';
  }
  const voided = document.origin === 'ledger' ? since.voidedOnLedger && !since.voided : since.voided;
  return document.state === 'Diverged' && voided && since.gone === '' ? `Take it back in ${to}` : '';
}

/** The one button that sends a record, or takes it back; where there is something to send. */
export function SendAgain({
  document,
  since,
}: {
  document: Schemas['DocumentRow'];
  since: Schemas['Since'];
}) {
  const { me, route } = useCurrent();
  const refresh = useRefresh();
  const navigate = useNavigate();
  const send = useMutation({
    mutationFn: () => sendOne(document.route, document.id, document.gross),
    onSuccess: async (made) => {
      await refresh();
      await navigate(`/send/${made.id}?route=${document.route}`);
    },
  });
  const word = sendWord(document, since, route);
  // Where both sides differ, this is what restores what its maker has.
  const restores = document.state === 'Diverged' && word !== '' && me.mayChange;
  useHotkeys('r', () => send.mutate(), { enabled: restores && !send.isPending, preventDefault: true });
  if (!me.mayChange || word === '') {
    return null;
  }
  return (
    <span className="flex items-center gap-2">
      {send.error && <Failure error={send.error} />}
      <button type="button" className="act act-main" disabled={send.isPending} onClick={() => send.mutate()}>
        {word} {restores && <Key>r</Key>}
      </button>
    </span>
  );
}
