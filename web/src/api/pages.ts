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
