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
  page: Page;
  amount: boolean;
  /** Of the text in a cell: cut off where it is too long, with all of it on hover. */
  title: ((row: never) => string | undefined) | undefined;
  tone: ((row: never) => string | undefined) | undefined;
  /** In pixels; what has none takes what the others leave. */
  width: number | undefined;
  /** By which the server sorts; undefined where it does not, or where the list is sorted here. */
  order: string | undefined;
  unnamed: boolean;
  handle: boolean;
  foot: ReactNode;
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
  width?: number;
  cell: (row: Row) => ReactNode;
  /** As text, for a file and for sorting here; a figure where it is one. */
  value?: (row: Row) => string | number;
  title?: (row: Row) => string | undefined;
  tone?: (row: Row) => string | undefined;
  order?: string;
  /** What one gets hold of a row by: it takes the focus. */
  handle?: boolean;
  /** Whether it can be left out, and is shown until somebody says otherwise. */
  optional?: 'shown' | 'hidden';
  foot?: ReactNode;
}

/** A list's columns, declared once each. */
export const columnDefs = <Row extends object>(columns: Column<Row>[]): ColumnDef<Features, Row>[] =>
  columns.map((column) => ({
    id: column.id,
    header: column.name,
    accessorFn: column.value ?? (() => ''),
    cell: ({ row }) => column.cell(row.original),
    size: column.width ?? 0,
    minSize: 36,
    enableHiding: column.optional !== undefined,
    enableResizing: column.width !== undefined,
    enableSorting: column.value !== undefined,
    sortDescFirst: false,
    meta: {
      page: column.page ?? 'left',
      amount: column.amount ?? false,
      title: column.title,
      tone: column.tone,
      width: column.width,
      order: column.order,
      unnamed: column.unnamed ?? false,
      handle: column.handle ?? false,
      foot: column.foot,
    },
  }));
