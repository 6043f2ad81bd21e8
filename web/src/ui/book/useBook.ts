import { functionalUpdate, useTable, type SortingState } from '@tanstack/react-table';
import { useMemo, useState } from 'react';
import { columnDefs, FEATURES, type Column } from './columns';
import { useRemembered } from './remembered';

export interface Order {
  by: string;
  descending: boolean;
}

export interface Options<Row extends object> {
  /** Under which columns and widths are remembered. */
  name: string;
  columns: Column<Row>[];
  rows: Row[];
  keyOf: (row: Row) => string;
  /** All rows, where some are not read yet: then none of it can be sorted here. */
  readAll?: () => Promise<Row[]>;
  /** Where the server sorts. */
  order?: Order;
  onOrder?: (order: Order) => void;
}

const MOST_GROWN = 1.6;

/** On a wide screen all columns grow, and not one alone; a little of the room is left to that one. */
export const grown = (times: number) => Math.min(MOST_GROWN, Math.max(1, 0.85 * times));

/** What a column without a width of its own is never narrower than; what does not fit then is scrolled to. */
const LEAST = 110;

/** How narrow a list may become: columns that take a share of it leave the rest to the others. */
export function leastWidthOf(widths: (number | `${number}%` | undefined)[]) {
  const shares = widths.map((width) => (typeof width === 'string' ? parseFloat(width) / 100 : 0));
  const own = widths.map((width) => (typeof width === 'number' ? width : width === undefined ? LEAST : 0));
  const sum = (all: number[]) => all.reduce((one, other) => one + other, 0);
  const left = 1 - sum(shares);
  return sum(own) > 0 && left > 0 ? sum(own) / left : LEAST * widths.length;
}

/** A list's columns and rows as they are shown: which columns, how wide, in which order. */
export function useBook<Row extends object>(options: Options<Row>) {
  const { name, columns, rows, keyOf, readAll, order, onOrder } = options;
  const isSortedHere = onOrder === undefined && readAll === undefined;
  const usual = Object.fromEntries(
    columns.filter((each) => each.optional === 'hidden').map((each) => [each.id, false]),
  );
  const { kept, setKept } = useRemembered(name, usual);
  const [sorting, setSorting] = useState<SortingState>([]);
  const definitions = useMemo(() => columnDefs(columns), [columns]);
  const table = useTable({
    features: FEATURES,
    columns: definitions,
    data: rows,
    getRowId: keyOf,
    columnResizeMode: 'onChange' as const,
    enableSortingRemoval: true,
    manualSorting: !isSortedHere,
    state: { columnVisibility: kept.hidden, columnSizing: kept.widths, sorting },
    onColumnVisibilityChange: (change) =>
      setKept((now) => ({ ...now, hidden: functionalUpdate(change, now.hidden) })),
    onColumnSizingChange: (change) =>
      setKept((now) => ({ ...now, widths: functionalUpdate(change, now.widths) })),
    onSortingChange: setSorting,
  });
  /** How a column is sorted by now, and what another press on its head does; undefined where it cannot be sorted. */
  const sortOf = (id: string) => {
    const column = table.getColumn(id);
    const by = column?.columnDef.meta?.order;
    if (onOrder) {
      return by === undefined
        ? undefined
        : {
            now: order?.by === by ? (order.descending ? 'descending' : 'ascending') : undefined,
            press: () => onOrder({ by, descending: order?.by !== by || !order.descending }),
          };
    }
    const now = column?.getIsSorted();
    return isSortedHere && column?.getCanSort()
      ? {
          now: now === 'desc' ? 'descending' : now === 'asc' ? 'ascending' : undefined,
          press: () => column.toggleSorting(),
        }
      : undefined;
  };
  const leastWidth = leastWidthOf(
    table
      .getVisibleLeafColumns()
      .map((column) => (column.getCanResize() ? column.getSize() : column.columnDef.meta?.width)),
  );
  // A long text needs the room more than the others do.
  const isForText = table.getVisibleLeafColumns().some((column) => column.columnDef.meta?.wraps);
  return { table, sortOf, leastWidth, grown: (room: number) => (isForText ? 1 : grown(room / leastWidth)) };
}

export type BookTable<Row extends object> = ReturnType<typeof useBook<Row>>;
