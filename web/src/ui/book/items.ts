import type { ReactNode } from 'react';

/** Rows that belong together, under a head of their own. */
export interface Group<Row> {
  key: string;
  head: ReactNode;
  /** How a head is set off from the rows, such as `cause`. */
  tone?: string;
  data?: Record<string, string>;
  rows: Row[];
  /** What stands after its rows, such as a way to more of them. */
  foot?: ReactNode;
}

type Data = Record<string, string | number | boolean>;

export type Item<Row> =
  | { type: 'row'; key: string; row: Row }
  | { type: 'head'; key: string; content: ReactNode; tone: string; data: Data }
  | { type: 'foot'; key: string; content: ReactNode };

/** The lines of a list from top to bottom. */
export function itemsOf<Row>(rows: Row[], groups: Group<Row>[] | undefined, keyOf: (row: Row) => string) {
  const lines = (each: Row[]): Item<Row>[] => each.map((row) => ({ type: 'row', key: keyOf(row), row }));
  if (!groups) {
    return lines(rows);
  }
  return groups.flatMap((group): Item<Row>[] => [
    {
      type: 'head',
      key: `head ${group.key}`,
      content: group.head,
      tone: group.tone ?? '',
      data: group.data ?? {},
    },
    ...lines(group.rows),
    ...(group.foot ? [{ type: 'foot' as const, key: `foot ${group.key}`, content: group.foot }] : []),
  ]);
}

/** As attributes of a line, by which it is found: `data-document`. */
export const dataset = (data: Data) =>
  Object.fromEntries(Object.entries(data).map(([name, value]) => [`data-${name}`, value]));
