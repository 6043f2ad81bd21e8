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
}

export function Foot<Row extends object>({ book, totals, choosing }: Props<Row>) {
  const columns = book.table.getVisibleLeafColumns();
  const left = columns.filter((column) => pageOf(column) === 'left');
  const right = columns.filter((column) => pageOf(column) === 'right');
  const firstSum = left.findIndex((column) => column.id in totals.sums);
  const wide = firstSum < 0 ? left.length : firstSum;
  return (
    <tfoot>
      <tr>
        <td colSpan={wide + (choosing ? 1 : 0)}>{totals.count}</td>
        {left.slice(wide).map((column) => (
          <td key={column.id} className="amount">
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
