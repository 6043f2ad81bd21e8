import { useMutation, useQuery } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { moment } from '../ui/format';
import { lasting } from './lasting';
import { practiseQuery } from './queries';

type Practice = Schemas['PracticeJson'];

/** Makes something go wrong on the demo's systems and says nothing more; how long it takes to name it, and to put it right. */
export function PractisePage({ route }: { route: Schemas['RouteJson'] }) {
  const refresh = useRefresh();
  const practise = useQuery({ ...practiseQuery(route.code), refetchInterval: 2000 });
  const begin = useMutation({
    mutationFn: (fault?: Schemas['FaultJson']['fault']) =>
      answer(client.POST('/api/practise', { body: { route: route.code, ...(fault && { fault }) } })),
    onSettled: () => Promise.all([refresh(), practise.refetch()]),
  });
  const giveUp = useMutation({
    mutationFn: (id: number) => answer(client.DELETE('/api/practise/{id}', { params: { path: { id } } })),
    onSettled: () => practise.refetch(),
  });
  useHotkeys('1', () => begin.mutate(undefined), { enabled: !begin.isPending });
  if (practise.error) {
    return <Failure error={practise.error} />;
  }
  if (!practise.data) {
    return <p className="p-4">Looking…</p>;
  }
  const { faults, practices } = practise.data;
  const error = begin.error ?? giveUp.error;
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_340px] max-[1000px]:grid-cols-1">
      <section aria-label="Practise" className="min-h-0 overflow-auto p-4">
        <h1 className="title mb-2 text-[18px]">Something goes wrong, and you find out what</h1>
        <p className="mb-3 max-w-[680px]">
          It happens for real, in {route.source} or {route.ledger}, and nothing more is said here. Fetch both
          sides, find its cause on{' '}
          <Link className="underline" to={`/resolve?route=${route.code}`}>
            Resolve
          </Link>
          , and put it right: there where it can be, or at the desk of the system that is wrong.
        </p>
        <button
          type="button"
          className="act act-main"
          disabled={begin.isPending}
          onClick={() => begin.mutate(undefined)}
        >
          Let something go wrong <Key>1</Key>
        </button>
        {error && <Failure error={error} />}
        {practices.length === 0 ? (
          <p className="soft mt-4">Nothing was practised yet.</p>
        ) : (
          <Practices practices={practices} onGiveUp={(id) => giveUp.mutate(id)} />
        )}
      </section>
      <section
        aria-label="A certain thing"
        className="border-base-300 min-h-0 overflow-auto border-l p-4 max-[1000px]:border-l-0"
      >
        <h2 className="title mb-1 text-[16px]">A certain thing</h2>
        <p className="soft mb-2 text-[13px]">For somebody else to find, or to see how it looks.</p>
        <ul>
          {faults.map((each) => (
            <li key={each.fault}>
              <button
                type="button"
                className="hover:bg-base-200 w-full cursor-pointer px-2 py-[3px] text-left"
                disabled={begin.isPending}
                onClick={() => begin.mutate(each.fault)}
              >
                {each.title}
              </button>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

const isOpen = (each: Practice) => each.rightedAfter === undefined && !each.givenUp;

const Practices = ({ practices, onGiveUp }: { practices: Practice[]; onGiveUp: (id: number) => void }) => (
  <table className="mt-4 w-full max-w-[860px] border-collapse" aria-label="What was practised">
    <thead>
      <tr className="border-base-content/40 soft border-b text-left text-[12.5px]">
        <th className="py-1.5 pr-3 font-normal">Begun</th>
        <th className="pr-3 font-normal">By</th>
        <th className="pr-3 font-normal">What it was</th>
        <th className="pr-3 text-right font-normal">Named after</th>
        <th className="pr-3 text-right font-normal">Right after</th>
        <th />
      </tr>
    </thead>
    <tbody>
      {practices.map((each) => (
        <tr key={each.id} data-practice={each.id} className="border-base-300 h-[33px] border-b">
          <td className="pr-3 whitespace-nowrap">{moment(each.begunAt)}</td>
          <td className="pr-3">{each.by}</td>
          <td className="pr-3">
            {each.title === '' ? <span className="soft">not said yet</span> : each.title}
          </td>
          <td className="pr-3 text-right">
            {each.namedAfter === undefined ? (
              <span className="soft">not named yet</span>
            ) : (
              lasting(each.namedAfter)
            )}
          </td>
          <td className="pr-3 text-right">
            {each.rightedAfter !== undefined ? (
              lasting(each.rightedAfter)
            ) : (
              <span className="soft">{each.givenUp ? 'given up' : 'not right yet'}</span>
            )}
          </td>
          <td className="text-right">
            {isOpen(each) && (
              <button type="button" className="act" onClick={() => onGiveUp(each.id)}>
                Give up
              </button>
            )}
          </td>
        </tr>
      ))}
    </tbody>
  </table>
);
