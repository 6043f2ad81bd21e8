import type { Field, Layout, LayoutColumn, LayoutFile } from './queries';

/** Which list of columns of a file is meant: those of its rows, or of the rows of lines below them. */
export type Which = 'columns' | 'splits';

/** Where one is in a layout. */
export interface Place {
  file: number;
  which: Which;
  column: number;
}

const NOBODY: Layout['own'] = {
  name: '',
  taxIdentifier: '',
  street: '',
  city: '',
  postalZone: '',
  country: '',
};

const FIXED: LayoutColumn = { heading: 'New', field: 'FIXED', argument: '', table: {} };

export const NEW_LAYOUT: Layout = {
  name: '',
  carries: 'SALES',
  medium: 'CSV',
  encoding: 'UTF_8',
  marked: false,
  separator: ';',
  crlf: true,
  days: 'uuuu-MM-dd',
  decimalSign: '.',
  grouping: '',
  creditsNegative: false,
  files: [
    {
      name: 'documents',
      per: 'LINE',
      headed: true,
      columns: (
        [
          ['Reference', 'REFERENCE'],
          ['Number', 'NUMBER'],
          ['Date', 'DATE'],
          ['Party', 'PARTY'],
          ['Account', 'ACCOUNT'],
          ['Amount', 'AMOUNT'],
        ] as const
      ).map(([heading, field]) => ({ heading, field, argument: '', table: {} })),
      splits: [],
    },
  ],
  own: NOBODY,
};

/** Whether its files have columns; an invoice is laid out by its standard. */
export const isTable = ({ medium }: Layout) => medium !== 'UBL';

/** What has columns gets some, and what has none loses them. */
export function as(layout: Layout, medium: Layout['medium']): Layout {
  const name = layout.files[0]?.name ?? 'documents';
  if (medium === 'UBL') {
    return {
      ...layout,
      medium,
      creditsNegative: false,
      carries: layout.carries === 'SETTLEMENTS' ? 'SALES' : layout.carries,
      files: [{ name, per: 'RECORD', headed: false, columns: [], splits: [] }],
    };
  }
  return { ...layout, medium, files: isTable(layout) ? layout.files : NEW_LAYOUT.files };
}

export const withFile = (layout: Layout, at: number, change: Partial<LayoutFile>): Layout => ({
  ...layout,
  files: layout.files.map((file, i) => (i === at ? { ...file, ...change } : file)),
});

const columnsOf = (layout: Layout, { file, which }: Place) => layout.files[file]?.[which] ?? [];

const withColumns = (layout: Layout, { file, which }: Place, columns: LayoutColumn[]) =>
  withFile(layout, file, { [which]: columns });

export const columnAt = (layout: Layout, place: Place) => columnsOf(layout, place)[place.column];

export const withColumn = (layout: Layout, place: Place, change: Partial<LayoutColumn>) =>
  withColumns(
    layout,
    place,
    columnsOf(layout, place).map((column, i) => (i === place.column ? { ...column, ...change } : column)),
  );

export const withNew = (layout: Layout, place: Place) => {
  const columns = columnsOf(layout, place);
  return withColumns(layout, place, [
    ...columns.slice(0, place.column + 1),
    FIXED,
    ...columns.slice(place.column + 1),
  ]);
};

export const without = (layout: Layout, place: Place) =>
  withColumns(
    layout,
    place,
    columnsOf(layout, place).filter((_, i) => i !== place.column),
  );

/** One step to the left or to the right. */
export function moved(layout: Layout, place: Place, by: -1 | 1) {
  const columns = [...columnsOf(layout, place)];
  const [column] = columns.splice(place.column, 1);
  return column
    ? withColumns(layout, place, [
        ...columns.slice(0, place.column + by),
        column,
        ...columns.slice(place.column + by),
      ])
    : layout;
}

/** Whether a column of such rows can hold it. */
export const holds = (per: LayoutFile['per'], field: Field) =>
  field.scope === 'FILE' || field.scope === 'RECORD' || field.scope === per;

/** A file whose rows stand for something else keeps the columns that still can be there. */
export function standingFor(file: LayoutFile, per: LayoutFile['per'], fields: Field[]): Partial<LayoutFile> {
  const can = new Set(fields.filter((each) => holds(per, each)).map((each) => each.field));
  const columns = file.columns.filter((column) => can.has(column.field));
  return {
    per,
    columns: columns.length > 0 ? columns : [FIXED],
    splits: per === 'RECORD' ? file.splits : [],
  };
}

/** Lines below their documents are told from these by a fixed text in the same column. */
export function withLinesBelow(layout: Layout, at: number): Layout {
  const file = layout.files[at];
  const marked = file?.columns[0]?.field === 'FIXED';
  return file
    ? withFile(layout, at, {
        columns: marked ? file.columns : [{ ...FIXED, heading: 'Row', argument: 'H' }, ...file.columns],
        splits: [
          { ...FIXED, heading: 'Row', argument: 'L' },
          { ...FIXED, heading: 'Account', field: 'ACCOUNT' },
          { ...FIXED, heading: 'Amount', field: 'AMOUNT' },
        ],
      })
    : layout;
}
