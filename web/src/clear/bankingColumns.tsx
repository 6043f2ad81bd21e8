import { Link } from 'react-router';
import type { Column } from '../ui/book/columns';
import { amount, day, plural, widthOfDay } from '../ui/format';
import type { Banking } from './queries';

export const pathOf = (route: string, row: Banking) =>
  `/clear/banking?route=${route}&account=${encodeURIComponent(row.account)}&day=${row.day}`;

const standing = (row: Banking) =>
  row.withdrawn !== ''
    ? row.state === 'Voided'
      ? 'withdrawn'
      : 'withdrawn, still to be taken back there'
    : row.wrong > 0
      ? `${plural(row.wrong, 'receipt')} changed since`
      : row.state;

export const bankingColumns = (route: string, currency: string): Column<Banking>[] => [
  {
    id: 'day',
    name: 'Day',
    width: widthOfDay() + 24,
    value: (row) => row.day,
    cell: (row) => (
      <Link className="underline" to={pathOf(route, row)}>
        {day(row.day)}
      </Link>
    ),
  },
  { id: 'number', name: 'Number', width: 150, value: (row) => row.number, cell: (row) => row.number },
  {
    id: 'bank',
    name: 'Into',
    value: (row) => `${row.account} ${row.bank}`,
    title: (row) => `${row.account} ${row.bank}`,
    cell: (row) => `${row.account} ${row.bank}`,
  },
  { id: 'slip', name: 'Slip', width: 100, value: (row) => row.slip, cell: (row) => row.slip },
  {
    id: 'count',
    name: 'Receipts',
    width: 80,
    amount: true,
    value: (row) => row.count,
    cell: (row) => row.count,
  },
  {
    id: 'amount',
    name: currency,
    width: 110,
    amount: true,
    value: (row) => row.amount,
    rank: (row) => Number(row.amount),
    tone: (row) => (row.withdrawn !== '' ? 'line-through' : undefined),
    cell: (row) => amount(row.amount),
  },
  {
    id: 'difference',
    name: 'Cash differs',
    width: 100,
    amount: true,
    value: (row) => row.difference,
    rank: (row) => Number(row.difference),
    tone: () => 'text-accent',
    title: (row) => row.why,
    cell: (row) => (Number(row.difference) === 0 ? '' : amount(row.difference)),
  },
  {
    id: 'revision',
    name: 'Revision',
    width: 76,
    amount: true,
    value: (row) => row.revision,
    cell: (row) => row.revision,
  },
  {
    id: 'standing',
    name: 'Standing',
    width: 210,
    value: standing,
    title: (row) => row.withdrawn || row.sentence,
    tone: (row) => (row.wrong > 0 || row.state === 'Refused' ? 'text-error' : undefined),
    cell: standing,
  },
];
