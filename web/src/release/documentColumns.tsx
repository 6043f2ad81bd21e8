import { isGivenBack, isSettlement, kindName, shortKind } from '../api/recordKinds';
import { Glyph } from '../ui/Glyph';
import type { Column } from '../ui/book/columns';
import { amount, day, money, widthOfDay } from '../ui/format';
import { became } from './became';
import type { Row } from './useRows';

interface Seen {
  source: string;
  /** The currency of the books. */
  currency: string;
  seesBooks: boolean;
}

const TROUBLE = new Set(['Blocked', 'Refused', 'Unconfirmed', 'Diverged']);
const isTrouble = (row: Row) => TROUBLE.has(row.state) && row.sentence !== '';
const signed = (row: Row, figure: string) => (isGivenBack(row.kind) && figure !== '' ? `-${figure}` : figure);

/** What is known of a document or payment: on its source, and on the books. */
export const documentColumns = ({ source, currency, seesBooks }: Seen): Column<Row>[] => [
  {
    id: 'number',
    name: 'Number',
    width: 86,
    order: 'NUMBER',
    handle: true,
    value: (row) => row.number,
    cell: (row) => row.number,
  },
  {
    id: 'party',
    name: 'Party',
    order: 'PARTY',
    value: (row) => row.party,
    title: (row) => (isSettlement(row.kind) ? `${row.party}, ${kindName(row.kind)}` : row.party),
    cell: (row) => (
      <>
        {isSettlement(row.kind) && <span className="soft">{shortKind(row.kind)} </span>}
        {row.party}
      </>
    ),
  },
  dated('date', 'Date', (row) => row.issueDate, { order: 'DATE' }),
  dated('due', 'Due', (row) => row.dueDate ?? '', { optional: 'hidden' }),
  figure('net', 'Net', 78, (row) => row.net, { optional: 'hidden' }),
  figure('tax', 'Tax', 70, (row) => row.tax, { optional: 'hidden' }),
  {
    ...figure('gross', 'Gross', 82, (row) => signed(row, row.gross), { order: 'GROSS' }),
    // Only what is not in the books' own currency says in which it is.
    cell: (row) =>
      row.currency === currency
        ? amount(signed(row, row.gross))
        : money(signed(row, row.gross), row.currency),
  },
  {
    id: 'state',
    name: 'State',
    page: 'gutter',
    width: 54,
    value: (row) => (row.leftAlone ? `${row.state}, left alone` : row.state),
    title: (row) => (row.leftAlone ? `${row.state}, left alone` : row.state),
    cell: (row) => (
      <span className={row.leftAlone ? 'opacity-40' : ''}>
        <Glyph state={row.state} />
      </span>
    ),
  },
  {
    id: 'there',
    name: 'Number there',
    page: 'right',
    width: 86,
    optional: 'hidden',
    value: (row) => row.ledgerNumber,
    cell: (row) => row.ledgerNumber,
  },
  ...(seesBooks ? booked(source) : outcome(source)),
  {
    id: 'payment',
    name: 'Payment',
    page: 'right',
    width: 74,
    optional: 'shown',
    value: (row) => row.payment,
    tone: (row) => (row.payment === 'overdue' ? 'text-accent' : 'soft'),
    cell: (row) => row.payment,
  },
  {
    ...figure('gross-there', 'Gross', 82, (row) => signed(row, there(row)), { page: 'right' }),
    cell: (row) => (there(row) === '' ? '–' : amount(signed(row, there(row)))),
  },
];

const booked = (source: string): Column<Row>[] => [
  {
    id: 'lands-in',
    name: 'Lands in',
    page: 'right',
    width: 136,
    value: (row) => row.landsIn,
    title: (row) => (isTrouble(row) ? row.sentence : row.landsIn),
    tone: (row) => (row.state === 'Refused' ? 'text-error' : undefined),
    cell: (row) =>
      row.state === 'Refused' ? row.sentence : row.landsIn || <Nowhere row={row} source={source} />,
  },
  {
    id: 'tax-code',
    name: 'Tax code',
    page: 'right',
    width: 72,
    value: (row) => row.taxCodes,
    tone: (row) => (row.taxCodes ? 'soft' : 'text-accent'),
    cell: (row) => row.taxCodes || (isSettlement(row.kind) ? '' : 'none'),
  },
];

/** For whoever does not see the books. */
const outcome = (source: string): Column<Row>[] => [
  {
    id: 'became',
    name: 'What became of it',
    page: 'right',
    width: 300,
    value: (row) => became(row, source),
    title: (row) => became(row, source),
    tone: (row) => (isTrouble(row) ? 'text-accent' : undefined),
    cell: (row) => became(row, source),
  },
];

type More = Partial<Column<Row>>;

function dated(id: string, name: string, of: (row: Row) => string, more: More): Column<Row> {
  return {
    id,
    name,
    width: widthOfDay(),
    value: of,
    title: of,
    tone: () => 'soft',
    cell: (row) => day(of(row)),
    ...more,
  };
}

function figure(id: string, name: string, width: number, of: (row: Row) => string, more: More): Column<Row> {
  return { id, name, width, amount: true, value: of, cell: (row) => amount(of(row)), ...more };
}

/** What it comes to there, or would. */
const there = (row: Row) =>
  row.ledgerGross !== '' ? row.ledgerGross : row.state === 'Ready' || row.state === 'Queued' ? row.gross : '';

/** What was entered on the ledger goes back; what is to cross has no account yet. */
const Nowhere = ({ row, source }: { row: Row; source: string }) =>
  row.origin === 'ledger' ? (
    <span className="soft" title={`It was entered on the ledger, and goes to ${source}`}>
      entered there
    </span>
  ) : (
    <span className="text-accent">nowhere yet</span>
  );
