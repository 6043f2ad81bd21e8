import { useMutation, useQuery } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { answer, client } from '../api/client';
import { setAsideQuery } from '../api/queries';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { plural } from '../ui/format';

/** What came and could not be used, as it came, with the way to put it away. */
export function PutAway({ id }: { id: number }) {
  const { me } = useCurrent();
  const refresh = useRefresh();
  const all = useQuery(setAsideQuery);
  const put = useMutation({
    mutationFn: () => answer(client.DELETE('/api/set-aside/{id}', { params: { path: { id } } })),
    onSettled: () => Promise.all([refresh(), all.refetch()]),
  });
  useHotkeys('1', () => put.mutate(), { enabled: me.mayChange && !put.isPending });
  const record = all.data?.find((each) => each.id === id);
  return (
    <div className="flex flex-col items-start gap-2">
      {record && record.raw !== '' && (
        <details className="w-full text-[13px]" open>
          <summary className="soft cursor-pointer">
            As it came, {plural(record.times, 'time')}; a right one of its name takes it away by itself
          </summary>
          <pre className="bg-base-200 mt-1 max-h-60 overflow-auto p-2 break-all whitespace-pre-wrap">
            {record.raw}
          </pre>
        </details>
      )}
      {me.mayChange && (
        <button type="button" className="act" disabled={put.isPending} onClick={() => put.mutate()}>
          {record?.type === 'feed' ? 'Seen' : 'It is not needed'} <Key>1</Key>
        </button>
      )}
      {put.error && <Failure error={put.error} />}
    </div>
  );
}
