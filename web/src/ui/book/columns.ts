import {
  columnResizingFeature,
  columnSizingFeature,
  columnVisibilityFeature,
  createSortedRowModel,
  metaHelper,
  rowSortingFeature,
  sortFn_alphanumeric,
  tableFeatures,
  type ColumnDef,
} from '@tanstack/react-table';
import type { ReactNode } from 'react';

/** The two pages of the open book and what lies between them. A list of one side only has a left page. */
export type Page = 'left' | 'gutter' | 'right';

interface Meta {
  /** Called, and not a component of its own: what is edited in a cell stays where it is when the columns change. */
  cell: (row: never) => ReactNode;
  page: Page;
  amount: boolean;
  /** Of the text in a cell: cut off where it is too long, with all of it on hover. */
  title: ((row: never) => string | undefined) | undefined;
  tone: ((row: never) => string | undefined) | undefined;
  value: ((row: never) => string | number) | undefined;
  overflows: ((row: never) => boolean) | undefined;
  /** In pixels, or a share of the whole; what has none takes what the others leave. */
  width: number | `${number}%` | undefined;
  /** By which the server sorts; undefined where it does not, or where the list is sorted here. */
  order: string | undefined;
  unnamed: boolean;
  beside: ReactNode;
  wraps: boolean;
  handle: boolean;
}

export const FEATURES = tableFeatures({
  columnVisibilityFeature,
  columnSizingFeature,
  columnResizingFeature,
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric },
  columnMeta: metaHelper<Meta>(),
});
export type Features = typeof FEATURES;

export interface Column<Row> {
  id: string;
  /** What it is called: at its head, among the columns to choose from, and in a file. */
  name: string;
  /** For those who see; where the name would only repeat what is shown. */
  unnamed?: boolean;
  page?: Page;
  amount?: boolean;
  width?: number | `${number}%`;
  cell: (row: Row) => ReactNode;
  /** What stands in a file: a plain figure, an ISO date. What has none is not part of it. */
  value?: (row: Row) => string | number;
  /** By what it is sorted here, where that is not what stands in a file. */
  rank?: (row: Row) => string | number;
  title?: (row: Row) => string | undefined;
  tone?: (row: Row) => string | undefined;
  /** Whether what is in the cell may hang out of it, as a list to choose from does. */
  overflows?: (row: Row) => boolean;
  order?: string;
  /** What one gets hold of a row by: it takes the focus. */
  handle?: boolean;
  /** What is said beside its name at its head. */
  beside?: ReactNode;
  /** Whether a long text goes on in a second line. */
  wraps?: boolean;
  /** Whether it can be left out, and is shown until somebody says otherwise. */
  optional?: 'shown' | 'hidden';
}

/** A list's columns, declared once each. */
export const columnDefs = <Row extends object>(columns: Column<Row>[]): ColumnDef<Features, Row>[] =>
  columns.map((column) => ({
    id: column.id,
    header: column.name,
    accessorFn: column.rank ?? column.value ?? (() => ''),
    size: typeof column.width === 'number' ? column.width : 0,
    minSize: 36,
    enableHiding: column.optional !== undefined,
    enableResizing: typeof column.width === 'number',
    enableSorting: column.value !== undefined,
    sortDescFirst: false,
    meta: {
      cell: column.cell,
      page: column.page ?? 'left',
      amount: column.amount ?? false,
      title: column.title,
      tone: column.tone,
      value: column.value,
      overflows: column.overflows,
      width: column.width,
      order: column.order,
      unnamed: column.unnamed ?? false,
      beside: column.beside,
      wraps: column.wraps ?? false,
      handle: column.handle ?? false,
    },
  }));
