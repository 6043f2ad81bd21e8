import { Link } from 'react-router';
import { isGivenBack } from '../api/recordKinds';
import type { Column } from '../ui/book/columns';
import { amount, day } from '../ui/format';
import { Glyph } from '../ui/Glyph';
import { STATE_OF, wordOf, type Batch, type Dispatch } from './outcomes';

const isRefused = (dispatch: Dispatch) => dispatch.outcome === 'refused';

/** What became of each record of a batch. */
export const dispatchColumns = (
  route: { code: string; ledger: string },
  currency: string,
  batch: Pick<Batch, 'files' | 'undoes'>,
): Column<Dispatch>[] => [
  {
    id: 'state',
    name: 'State',
    unnamed: true,
    width: 58,
    tone: () => '!text-clip',
    value: (each) => each.outcome,
    cell: (each) => <Glyph state={STATE_OF[each.outcome] ?? 'Queued'} />,
  },
  {
    id: 'number',
    name: 'Number',
    width: 92,
    value: (each) => each.number,
    cell: (each) => (
      <Link className="underline" to={`/documents/${each.documentId}?route=${route.code}`}>
        {each.number}
      </Link>
    ),
  },
  {
    id: 'party',
    name: 'Party',
    width: 190,
    value: (each) => each.party,
    title: (each) => each.party,
    cell: (each) => each.party,
  },
  {
    id: 'date',
    name: 'Date',
    width: 66,
    tone: () => 'soft',
    value: (each) => each.issueDate,
    title: (each) => each.issueDate,
    cell: (each) => day(each.issueDate),
  },
  {
    id: 'gross',
    name: `Gross, ${currency}`,
    width: 100,
    amount: true,
    value: (each) => signed(each, batch),
    rank: (each) => Number(signed(each, batch)),
    cell: (each) => amount(signed(each, batch)),
  },
  {
    id: 'outcome',
    name: 'Outcome',
    width: 130,
    tone: (each) => (isRefused(each) ? 'text-error' : undefined),
    value: (each) => wordOf(each.outcome, batch),
    cell: (each) => (
      <>
        {wordOf(each.outcome, batch)}
        {each.undone && <span className="soft"> (taken back)</span>}
        {isRefused(each) && each.state !== 'Refused' && <span className="soft"> (now {each.state})</span>}
      </>
    ),
  },
  {
    id: 'there',
    name: `In ${route.ledger}`,
    width: 90,
    value: (each) => each.ledgerRef,
    cell: (each) => each.ledgerRef,
  },
  {
    id: 'said',
    name: `What ${route.ledger} said, and what to do`,
    wraps: true,
    value: (each) => [each.sentence, each.advice].filter((text) => text).join(' '),
    cell: (each) => (
      <>
        {each.sentence && <span className={isRefused(each) ? 'text-error' : ''}>“{each.sentence}” </span>}
        {each.advice}
      </>
    ),
  },
];

const signed = (dispatch: Dispatch, { undoes }: Pick<Batch, 'undoes'>) =>
  isGivenBack(dispatch.kind) === (undoes === undefined) ? `-${dispatch.gross}` : dispatch.gross;
