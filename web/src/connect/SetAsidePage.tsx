import { useMutation, useQuery } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { setAsideQuery } from '../api/queries';
import { useSession } from '../app/current';
import { Failure } from '../ui/Failure';
import { moment, plural } from '../ui/format';

/** Records of apps and ledgers that could not be understood, each with its reason and its text as it came. */
export function SetAsidePage() {
  const { me } = useSession();
  const setAside = useQuery(setAsideQuery);
  const settle = useMutation({
    mutationFn: (id: number) => answer(client.DELETE('/api/set-aside/{id}', { params: { path: { id } } })),
    onSettled: () => setAside.refetch(),
  });
  const error = setAside.error ?? settle.error;
  return (
    <div className="min-h-0 flex-1 overflow-auto p-4">
      {error && <Failure error={error} />}
      {setAside.data?.length === 0 && (
        <p>Every record that came could be understood; nothing is set aside.</p>
      )}
      {setAside.data && setAside.data.length > 0 && (
        <p className="soft mb-3 max-w-[720px]">
          These records could not be understood. Everything else went on without them. Put each right where it
          comes from and fetch: it then leaves this list by itself.
        </p>
      )}
      {setAside.data?.map((each) => (
        <SetAside
          key={each.id}
          record={each}
          onSettle={me.mayChange ? () => settle.mutate(each.id) : undefined}
        />
      ))}
    </div>
  );
}

function SetAside({ record, onSettle }: { record: Schemas['SetAside']; onSettle?: () => void }) {
  return (
    <article aria-label={record.name} className="border-base-300 mb-3 border-b pb-3">
      <h3 className="flex items-baseline gap-2 font-semibold">
        {record.name} <span className="soft text-[13px] font-normal">from {record.system}</span>
        {onSettle && (
          <button type="button" className="act ml-auto font-normal" onClick={onSettle}>
            It is not needed
          </button>
        )}
      </h3>
      <p>
        {record.reason}{' '}
        <span className="soft">
          ({plural(record.times, 'time')}, last {moment(record.lastAt)})
        </span>
      </p>
      <details className="text-[13px]">
        <summary className="soft cursor-pointer">As it came</summary>
        <pre className="bg-base-200 mt-1 max-h-60 overflow-auto p-2 break-all whitespace-pre-wrap">
          {record.raw}
        </pre>
      </details>
    </article>
  );
}
