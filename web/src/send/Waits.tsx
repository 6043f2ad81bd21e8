import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { totals } from '../ui/format';

type Waiting = Schemas['Waiting'];

/** Route by route what waits to be sent. */
export const Waits = ({ waiting }: { waiting: Waiting[] }) => (
  <Book
    name="waits"
    label="What waits to be sent"
    room="max-h-[30%] shrink-0"
    columns={COLUMNS}
    rows={waiting}
    keyOf={(each) => each.route}
    dataOf={({ route }) => ({ route })}
  />
);

const sum = (group: Schemas['Group'], known: string) =>
  group.count === 0 ? (
    <span className="soft">none</span>
  ) : (
    <>
      {totals(group.gross, known)} <span className="soft">({group.count})</span>
    </>
  );

const COLUMNS: Column<Waiting>[] = [
  {
    id: 'route',
    name: 'Route',
    value: (each) => `${each.source} ${each.site} to ${each.ledger}`,
    cell: (each) => (
      <>
        <b>{each.source}</b>
        {each.site !== '' && ` at ${each.site}`} <span className="soft">to</span> <b>{each.ledger}</b>
        <span className="soft">, {each.currency}</span>
      </>
    ),
  },
  {
    id: 'ready',
    name: 'Ready, never sent',
    width: 190,
    amount: true,
    value: (each) => each.ready.count,
    cell: (each) => sum(each.ready, each.currency),
  },
  { id: 'gutter', name: 'Gutter', unnamed: true, page: 'gutter', width: 54, cell: () => null },
  {
    id: 'changed',
    name: 'Changed since it was posted',
    page: 'right',
    width: 200,
    amount: true,
    value: (each) => each.changed.count,
    cell: (each) => sum(each.changed, each.currency),
  },
  {
    id: 'moving',
    name: 'On its way',
    page: 'right',
    width: 120,
    amount: true,
    value: (each) => each.onItsWay,
    cell: (each) => (each.onItsWay > 0 ? each.onItsWay : ''),
  },
  {
    id: 'next',
    name: 'What to do next',
    unnamed: true,
    page: 'right',
    width: 210,
    tone: () => 'text-right',
    cell: (each) => <Next of={each} />,
  },
];

function Next({ of }: { of: Waiting }) {
  if (of.ready.count + of.changed.count === 0) {
    return <span className="soft">nothing waits</span>;
  }
  return of.toFiles ? (
    <span className="soft">takes files, not written yet</span>
  ) : (
    <Link className="act inline-flex" to={`/release?route=${of.route}&state=Ready&panel=batch`}>
      See what a batch will do
    </Link>
  );
}
