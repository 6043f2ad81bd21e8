import { useMutation } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { useNotice } from '../ui/notices';
import { ledgers, type Decided } from './decided';
import { inAFile, whatHappened } from './since';

interface Props {
  document: Schemas['DocumentRow'];
  since: Schemas['Since'];
  /** Whether one stays where one is after sending it. */
  stay?: boolean;
  /** The fields that both changed and nobody has decided yet. */
  open?: readonly string[];
  decided?: Decided;
}

/** Where both sides differ a person says who wins, or that each keeps what it changed; leaving it is the last way. */
export function Settle({ document, since, stay = false, open = [], decided = {} }: Props) {
  const { me, route } = useCurrent();
  const refresh = useRefresh();
  const navigate = useNavigate();
  const notice = useNotice();
  const settle = useMutation({
    mutationFn: (winner: 'SOURCE' | 'LEDGER' | 'BOTH') =>
      answer(
        client.POST('/api/documents/{id}/settlement', {
          params: { path: { id: document.id } },
          body: { winner, ledgerVersion: since.ledgerVersion, ledgers: ledgers(decided) },
        }),
      ),
    onSuccess: async (settled) => {
      await refresh();
      notice({ tone: 'done', text: settled.sentence });
      if (settled.batch && !stay) {
        await navigate(`/send/${settled.batch}?route=${document.route}`);
      }
    },
  });
  // What was entered there is changed there.
  const goesAgain = document.origin === 'source';
  const may = me.mayChange && !since.voided && (goesAgain || !since.voidedOnLedger);
  const keys = { enabled: may && !settle.isPending, preventDefault: true };
  // Sent again, it is decided again.
  const offersAgain = goesAgain && !route.toFiles && (since.taxDecided === '' || since.changedOnSource);
  const offersBoth = offersAgain && since.changedOnLedger && since.notTogether === '';
  useHotkeys('t', () => settle.mutate('BOTH'), {
    ...keys,
    enabled: keys.enabled && offersBoth && open.length === 0,
  });
  useHotkeys('r', () => settle.mutate('SOURCE'), { ...keys, enabled: keys.enabled && offersAgain });
  useHotkeys('l', () => settle.mutate('LEDGER'), keys);
  return (
    <div className="border-accent bg-base-200 mx-4 my-2 flex flex-wrap items-center gap-2 border-l-[3px] px-3 py-2">
      <p className="min-w-60 flex-1 text-[13px]">
        {route.toFiles
          ? inAFile(since, route.source, route.ledger)
          : whatHappened(since, route.source, route.ledger, goesAgain, open, decided)}
        {since.notTogether && ` The two cannot go together. ${since.notTogether}`}
      </p>
      {may && (
        <>
          {offersBoth && (
            <button
              type="button"
              className="act"
              disabled={settle.isPending || open.length > 0}
              onClick={() => settle.mutate('BOTH')}
            >
              Keep what each changed <Key>t</Key>
            </button>
          )}
          {offersAgain && (
            <button
              type="button"
              className="act"
              disabled={settle.isPending}
              onClick={() => settle.mutate('SOURCE')}
            >
              Send it as {route.source} has it <Key>r</Key>
            </button>
          )}
          <button
            type="button"
            className="act"
            disabled={settle.isPending}
            onClick={() => settle.mutate('LEDGER')}
          >
            Let {route.ledger}’s stand <Key>l</Key>
          </button>
        </>
      )}
      {settle.error && <Failure error={settle.error} />}
    </div>
  );
}
