import type { Schemas } from '../api/client';
import type { Column } from '../ui/book/columns';
import { amount, day } from '../ui/format';

/** One record of the batch: how it is taken back, or why it stays. */
export interface Row {
  record: number;
  number: string;
  party: string;
  day: string;
  gross: string;
  how: string;
  why: string;
}

export function rowsOf(undo: Schemas['UndoJson'] | undefined): Row[] {
  return [
    ...(undo?.taken ?? []).map((each) => ({
      ...each,
      how: each.on === undefined ? 'voided' : `reversed on ${day(each.on)}`,
      why: '',
    })),
    ...(undo?.stays ?? []).map((each) => ({ ...each, day: '', how: 'stays' })),
  ];
}

export const undoColumns = (currency: string): Column<Row>[] => [
  {
    id: 'number',
    name: 'Number',
    width: 110,
    handle: true,
    value: (row) => row.number,
    cell: (row) => row.number,
  },
  {
    id: 'party',
    name: 'Party',
    width: 200,
    value: (row) => row.party,
    title: (row) => row.party,
    cell: (row) => row.party,
  },
  {
    id: 'date',
    name: 'Date',
    width: 70,
    tone: () => 'soft',
    value: (row) => row.day,
    cell: (row) => day(row.day),
  },
  {
    id: 'gross',
    name: `Gross, ${currency}`,
    width: 110,
    amount: true,
    value: (row) => row.gross,
    rank: (row) => Number(row.gross),
    cell: (row) => amount(row.gross),
  },
  {
    id: 'how',
    name: 'How',
    wraps: true,
    value: (row) => row.why || row.how,
    tone: (row) => (row.why ? 'text-accent' : undefined),
    cell: (row) => row.why || row.how,
  },
];
