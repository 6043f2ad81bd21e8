import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { pullChangesQuery, pullsQuery } from '../api/queries';
import { useSession } from '../app/current';
import { moment, plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { useConnectRefresh } from './useConnectRefresh';

/** The pulls of a ledger, the present one with its progress, and what each changed. */
export function Pulls({ ledger }: { ledger: Schemas['LedgerJson'] }) {
  const { me } = useSession();
  const notice = useNotice();
  const refresh = useConnectRefresh();
  const pulls = useQuery(pullsQuery(ledger.id));
  const latest = pulls.data?.[0];
  const [chosen, setChosen] = useState<number | null>(null);
  const running = latest?.state === 'running';
  const was = useRef(running);
  useEffect(() => {
    if (was.current && !running) {
      void refresh();
    }
    was.current = running;
  }, [running, refresh]);
  const pull = useMutation({
    mutationFn: () =>
      answer(client.POST('/api/connect/ledgers/{id}/pulls', { params: { path: { id: ledger.id } } })),
    onError: (error) => notice({ tone: 'failed', text: error.message }),
    onSettled: () => pulls.refetch(),
  });
  const shown = chosen ?? latest?.id;
  return (
    <aside
      aria-label="Pulls"
      className="border-base-300 w-[290px] shrink-0 overflow-auto border-l p-4 text-[13px]"
    >
      <h2 className="title flex items-center">
        What changed
        {me.mayChange && me.role === 'ADMINISTRATOR' && ledger.state !== 'disconnected' && (
          <button
            type="button"
            className="act ml-auto font-sans text-[13px]"
            disabled={running || pull.isPending}
            onClick={() => pull.mutate()}
          >
            {running ? 'Pulling…' : 'Pull now'}
          </button>
        )}
      </h2>
      {pulls.data?.length === 0 && <p className="soft">Nothing was pulled yet.</p>}
      <ul>
        {pulls.data?.map((each) => (
          <li key={each.id} className="border-base-300 border-b py-2">
            <button
              type="button"
              className="w-full cursor-pointer text-left"
              aria-expanded={each.id === shown}
              onClick={() => setChosen(each.id)}
            >
              <b>{moment(each.startedAt)}</b> <span className="soft">by {each.who}</span>
              <span className="block">{summary(each)}</span>
            </button>
            {each.state === 'failed' && each.detail !== '' && (
              <details className="soft">
                <summary>Technical detail</summary>
                {each.detail}
              </details>
            )}
            {each.id === shown && each.state === 'done' && <Changes pull={each.id} />}
          </li>
        ))}
      </ul>
    </aside>
  );
}

function summary(pull: Schemas['PullJson']): string {
  if (pull.state === 'running') {
    return `Reading: ${plural(pull.read, 'row')} so far`;
  }
  if (pull.state === 'failed') {
    return pull.problem;
  }
  const parts = [
    pull.added > 0 && `${pull.added} new`,
    pull.changed > 0 && `${pull.changed} changed`,
    pull.inactive > 0 && `${pull.inactive} inactive`,
    pull.gone > 0 && `${pull.gone} gone`,
  ].filter(Boolean);
  return `${plural(pull.read, 'row')} read, ${parts.length > 0 ? parts.join(', ') : 'nothing changed'}`;
}

const TONES: Record<string, string> = { gone: 'text-error', inactive: 'text-accent' };

function Changes({ pull }: { pull: number }) {
  const changes = useQuery(pullChangesQuery(pull));
  return (
    <ul aria-label="Changes" className="mt-1">
      {changes.data?.changes.map((each) => (
        <li key={`${each.kind} ${each.code}`} className="py-0.5">
          <span className={TONES[each.what] ?? 'soft'}>{each.what}</span>{' '}
          {each.kind.toLowerCase().replace('_', ' ')} <b>{each.code}</b> {each.name}
          {each.uses > 0 && (
            <span className="text-accent">
              {' '}
              used by {plural(each.uses, 'row')}, {plural(each.documents, 'document')} not crossed
            </span>
          )}
        </li>
      ))}
      {(changes.data?.more ?? 0) > 0 && <li className="soft">and {changes.data?.more} more</li>}
    </ul>
  );
}
