import { Link } from 'react-router';
import { kindName } from '../api/recordKinds';
import type { Column } from '../ui/book/columns';
import { amount, counted } from '../ui/format';
import type { LoadKind } from './queries';

type Standing = 'all' | 'ready' | 'blocked' | 'waiting' | 'onItsWay' | 'there' | 'refused';

/** Where each stands, in the order of its way. */
const STANDINGS: [Standing, string, string][] = [
  ['all', 'All', 'All'],
  ['waiting', 'Waiting', 'Waiting'],
  ['blocked', 'Blocked', 'Blocked'],
  ['ready', 'Ready', 'Ready'],
  ['onItsWay', 'On its way', 'Queued'],
  ['refused', 'Refused', 'Refused'],
  ['there', 'There', 'Posted'],
];

export const keyOf = (row: LoadKind) => `${row.kind} ${row.currency}`;

export const loadColumns = (route: string): Column<LoadKind>[] => [
  {
    id: 'kind',
    name: 'Kind',
    width: 120,
    value: (row) => kindName(row.kind),
    cell: (row) => kindName(row.kind),
  },
  { id: 'currency', name: 'In', width: 56, value: (row) => row.currency, cell: (row) => row.currency },
  ...STANDINGS.map(([id, name, state]): Column<LoadKind> => ({
    id,
    name,
    width: 124,
    amount: true,
    value: (row) => row[id].gross,
    rank: (row) => Number(row[id].gross),
    title: (row) => `${counted(row[id].count)} that come to ${amount(row[id].gross)}`,
    cell: (row) =>
      row[id].count === 0 ? (
        <span className="soft">–</span>
      ) : (
        <>
          <Link className="underline" to={`/release?route=${route}&state=${state}`}>
            {counted(row[id].count)}
          </Link>{' '}
          <span className="soft text-[12px]">{amount(row[id].gross)}</span>
        </>
      ),
  })),
  {
    id: 'rest',
    name: 'What keeps the rest',
    wraps: true,
    tone: () => 'soft text-[12.5px]',
    value: rest,
    cell: rest,
  },
];

/** What has to be done before all of a kind can go. */
function rest(row: LoadKind): string {
  return [
    row.waiting.count > 0 && `${counted(row.waiting.count)} not approved`,
    row.blocked.count > 0 && `${counted(row.blocked.count)} with a cause to put right`,
    row.refused.count > 0 && `${counted(row.refused.count)} that the ledger refused`,
  ]
    .filter((each) => each !== false)
    .join(', ');
}
