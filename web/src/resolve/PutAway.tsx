import { useMutation, useQuery } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { answer, client, type Schemas } from '../api/client';
import { setAsideQuery } from '../api/queries';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { plural } from '../ui/format';

/** What came of one kind and could not be used, as it came, with the way to put each away. */
export function PutAway({ type }: { type: string }) {
  const { me, route } = useCurrent();
  const refresh = useRefresh();
  const all = useQuery(setAsideQuery);
  const put = useMutation({
    mutationFn: (id: number) => answer(client.DELETE('/api/set-aside/{id}', { params: { path: { id } } })),
    onSettled: () => Promise.all([refresh(), all.refetch()]),
  });
  const records = (all.data ?? []).filter(
    (each) => each.type === type && (each.system === route.source || each.system === route.ledger),
  );
  const first = records[0];
  useHotkeys('1', () => first && put.mutate(first.id), {
    enabled: me.mayChange && first !== undefined && !put.isPending,
  });
  return (
    <div className="flex max-w-[860px] flex-col gap-3">
      {records.map((record) => (
        <div key={record.id} className="flex flex-col items-start gap-1.5">
          {record.raw !== '' && <AsItCame record={record} />}
          {me.mayChange && (
            <button
              type="button"
              className="act"
              disabled={put.isPending}
              onClick={() => put.mutate(record.id)}
            >
              {type === 'feed' ? 'Seen' : 'It is not needed'} {record === first && <Key>1</Key>}
            </button>
          )}
        </div>
      ))}
      {put.error && <Failure error={put.error} />}
    </div>
  );
}

const AsItCame = ({ record }: { record: Schemas['SetAside'] }) => (
  <details className="w-full text-[13px]">
    <summary className="cursor-pointer">
      {said(record)}{' '}
      <span className="soft">
        ({plural(record.times, 'time')}; a right one of its name takes it away by itself)
      </span>
    </summary>
    <pre className="bg-base-200 mt-1 max-h-60 overflow-auto p-2 break-all whitespace-pre-wrap">
      {record.raw}
    </pre>
  </details>
);

/** Most reasons begin with what they are about. */
const said = ({ name, reason }: Schemas['SetAside']) =>
  reason.startsWith(name) ? reason : `${name}: ${reason}`;
