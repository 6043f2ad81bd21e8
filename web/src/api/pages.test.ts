import { describe, expect, it } from 'vitest';
import { together, upTo } from './pages';

/** Numbers from 1 on, given in pages of at most four. */
const numbers = (all: number) => {
  const asked: [string, number][] = [];
  const page = (after: string, limit: number) => {
    asked.push([after, limit]);
    const from = after === '' ? 0 : Number(after);
    const to = Math.min(all, from + Math.min(limit, 4));
    const rows = Array.from({ length: to - from }, (_, index) => from + index + 1);
    return Promise.resolve({ rows, next: to < all ? `${to}` : '' });
  };
  return { asked, page };
};

describe('more rows than one page holds', () => {
  it('are fetched page by page until there are as many as wanted', async () => {
    const { asked, page } = numbers(20);
    expect(await upTo(10, 4, page)).toEqual({ rows: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10], next: '10' });
    expect(asked).toEqual([
      ['', 4],
      ['4', 4],
      ['8', 2],
    ]);
  });

  it('end where the list ends', async () => {
    const { asked, page } = numbers(5);
    expect(await upTo(100, 4, page)).toEqual({ rows: [1, 2, 3, 4, 5], next: '' });
    expect(asked).toHaveLength(2);
    expect(await upTo(3, 4, numbers(0).page)).toEqual({ rows: [], next: '' });
  });

  it('are not shown in part when a page fails', async () => {
    await expect(
      upTo(8, 4, (after) =>
        after === '' ? Promise.resolve({ rows: [1, 2, 3, 4], next: '4' }) : Promise.reject(new Error('gone')),
      ),
    ).rejects.toThrow('gone');
  });
});

describe('what has come since', () => {
  it('takes the place of what was known, and what is new comes after it', () => {
    const known = [
      { key: 'a', says: 'queued' },
      { key: 'b', says: 'queued' },
    ];
    expect(
      together(known, [
        { key: 'c', says: 'queued' },
        { key: 'a', says: 'posted' },
      ]),
    ).toEqual([
      { key: 'a', says: 'posted' },
      { key: 'b', says: 'queued' },
      { key: 'c', says: 'queued' },
    ]);
    expect(together(known, [])).toEqual(known);
  });
});
