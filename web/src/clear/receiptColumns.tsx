import type { Column } from '../ui/book/columns';
import { amount, day, widthOfDay } from '../ui/format';
import type { Receipt } from './queries';
import { whyLeft } from './ticked';

const NOT_THERE: Record<string, string> = {
  Blocked: 'is blocked',
  Waiting: 'waits',
  Ready: 'not sent yet',
  Refused: 'was refused',
};

/** What is to be known of a receipt before it is banked. */
export const remark = (receipt: Receipt) => whyLeft(receipt) || (NOT_THERE[receipt.state] ?? '');

export const receiptColumns = (currency: string): Column<Receipt>[] => [
  {
    id: 'day',
    name: 'Day',
    width: widthOfDay(),
    tone: () => 'soft',
    value: (row) => row.day,
    cell: (row) => day(row.day),
  },
  {
    id: 'from',
    name: 'From',
    handle: true,
    value: (row) => row.party,
    title: (row) => `${row.party}, ${row.number}`,
    cell: (row) => row.party,
  },
  {
    id: 'says',
    name: 'Says',
    width: 100,
    value: (row) => row.reference,
    title: (row) => row.reference,
    cell: (row) => row.reference,
  },
  {
    id: 'for',
    name: 'For',
    width: 130,
    value: (row) => row.paidFor,
    title: (row) => row.paidFor,
    cell: (row) => row.paidFor,
  },
  {
    id: 'remark',
    name: 'Remark',
    unnamed: true,
    width: 110,
    tone: () => 'text-accent',
    value: remark,
    cell: remark,
  },
  {
    id: 'amount',
    name: currency,
    width: 100,
    amount: true,
    value: (row) => row.amount,
    rank: (row) => Number(row.amount),
    cell: (row) => amount(row.amount),
  },
];
