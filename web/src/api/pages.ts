/** What was known, with what has come since in its place. */
export function together<T extends { key: string }>(known: T[], come: T[]): T[] {
  const latest = new Map(come.map((each) => [each.key, each]));
  const among = new Set(known.map((each) => each.key));
  return [
    ...known.map((each) => latest.get(each.key) ?? each),
    ...come.filter((each) => !among.has(each.key)),
  ];
}

interface Page<T> {
  rows: T[];
  /** The key to go on with; empty on the last page. */
  next: string;
}

/** As many rows as wanted, however many pages that takes. */
export async function upTo<T>(
  wanted: number,
  largest: number,
  page: (after: string, limit: number) => Promise<Page<T>>,
): Promise<Page<T>> {
  const rows: T[] = [];
  let next = '';
  do {
    const got = await page(next, Math.min(largest, wanted - rows.length));
    rows.push(...got.rows);
    next = got.next;
  } while (next !== '' && rows.length < wanted);
  return { rows, next };
}
