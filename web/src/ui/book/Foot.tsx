import type { ReactNode } from 'react';
import type { Page } from './columns';
import type { BookTable } from './useBook';

/** What the rows come to: how many there are, what each column adds up to, and what is chosen of them. */
export interface Totals {
  count: string;
  /** By column. */
  sums: Record<string, ReactNode>;
  chosen?: ReactNode;
}

interface Props<Row extends object> {
  book: BookTable<Row>;
  totals: Totals;
  choosing: boolean;
  /** Room that would show no more than a part of a row, in pixels. */
  rest: number;
}

const FOOT = 27;

export function Foot<Row extends object>({ book, totals, choosing, rest }: Props<Row>) {
  const columns = book.table.getVisibleLeafColumns();
  const left = columns.filter((column) => pageOf(column) === 'left');
  const right = columns.filter((column) => pageOf(column) === 'right');
  const first = left.findIndex((column) => column.id in totals.sums);
  // Sums in several currencies need the room of the columns before their own.
  const counted = first < 0 ? left.length : Math.min(first, 1);
  const summed = first < 0 ? [] : left.slice(first);
  return (
    <tfoot>
      <tr data-rest={rest} style={{ height: FOOT + rest }}>
        <td colSpan={counted + (choosing ? 1 : 0)} className="!overflow-visible">
          {totals.count}
        </td>
        {summed.map((column, index) => (
          <td key={column.id} className="amount" colSpan={index === 0 ? first - counted + 1 : 1}>
            {totals.sums[column.id]}
          </td>
        ))}
        {columns.some((column) => pageOf(column) === 'gutter') && <td className="gutter" />}
        {right.length > 0 && (
          <td colSpan={right.length} className="amount">
            {totals.chosen}
          </td>
        )}
      </tr>
    </tfoot>
  );
}

const pageOf = (column: { columnDef: { meta?: { page: Page } } }) => column.columnDef.meta?.page;
