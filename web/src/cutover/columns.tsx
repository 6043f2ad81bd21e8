import type { Column } from '../ui/book/columns';
import { amount, day } from '../ui/format';
import type { CutOverRow } from './queries';
import { differsOf } from './words';

/** One to tell a row by, whichever sides it has. */
export const keyOf = (row: CutOverRow) => `${row.here?.record ?? ''} ${row.there?.ref ?? ''}`;

export const COLUMNS: Column<CutOverRow>[] = [
  {
    id: 'number',
    name: 'Number',
    page: 'left',
    width: '11%',
    handle: true,
    value: (row) => row.here?.number ?? '',
    cell: (row) => row.here?.number,
  },
  {
    id: 'party',
    name: 'Party',
    page: 'left',
    value: (row) => row.here?.party ?? '',
    title: (row) => row.here?.party,
    cell: (row) => row.here?.party,
  },
  {
    id: 'date',
    name: 'Date',
    page: 'left',
    width: 92,
    value: (row) => row.here?.date ?? '',
    cell: (row) => row.here && day(row.here.date),
  },
  {
    id: 'open',
    name: 'Open',
    page: 'left',
    amount: true,
    width: 104,
    value: (row) => Number(row.here?.open ?? 0),
    cell: (row) => row.here && amount(row.here.open),
  },
  {
    id: 'differs',
    name: 'Not the same',
    page: 'gutter',
    width: '13%',
    tone: (row) => (row.differs.length > 0 ? 'text-accent' : 'soft'),
    title: differsOf,
    value: differsOf,
    cell: (row) => (row.here && row.there ? differsOf(row) || 'all the same' : ''),
  },
  {
    id: 'number-there',
    name: 'Number there',
    page: 'right',
    width: '11%',
    value: (row) => row.there?.number ?? '',
    cell: (row) => row.there?.number,
  },
  {
    id: 'party-there',
    name: 'Party there',
    page: 'right',
    value: (row) => row.there?.party ?? '',
    title: (row) => row.there?.party,
    cell: (row) => row.there?.party,
  },
  {
    id: 'date-there',
    name: 'Date there',
    page: 'right',
    width: 92,
    value: (row) => row.there?.date ?? '',
    cell: (row) => row.there && day(row.there.date),
  },
  {
    id: 'open-there',
    name: 'Open there',
    page: 'right',
    amount: true,
    width: 104,
    value: (row) => Number(row.there?.open ?? 0),
    cell: (row) => row.there && amount(row.there.open),
  },
];
