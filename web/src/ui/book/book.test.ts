import { describe, expect, it } from 'vitest';
import { csvOf } from './file';
import { dataset, itemsOf } from './items';
import { grown, leastWidthOf } from './useBook';
import { reached } from './useRange';

interface Row {
  id: string;
}
const keyOf = (row: Row) => row.id;
const rows = (...ids: string[]) => ids.map((id) => ({ id }));

describe('the lines of a list', () => {
  it('are its rows, or its groups with their heads and feet', () => {
    expect(itemsOf(rows('a', 'b'), undefined, keyOf).map((each) => each.key)).toEqual(['a', 'b']);
    const groups = [
      { key: 'one', head: 'One', tone: 'cause', rows: rows('a', 'b'), foot: 'more' },
      { key: 'none', head: 'None', rows: [] },
    ];
    expect(itemsOf([], groups, keyOf).map((each) => `${each.type} ${each.key}`)).toEqual([
      'head head one',
      'row a',
      'row b',
      'foot foot one',
      'head head none',
    ]);
  });

  it('are found by their attributes', () => {
    expect(dataset({ document: 7, open: true })).toEqual({ 'data-document': 7, 'data-open': true });
  });
});

describe('choosing from one row to another', () => {
  it.each([
    ['b', 'd', ['b', 'c', 'd']],
    ['d', 'b', ['b', 'c', 'd']],
    ['b', 'b', ['b']],
    ['gone', 'b', []],
    ['b', 'gone', []],
  ])('from %s to %s', (from, to, between) => {
    expect(reached(['a', 'b', 'c', 'd', 'e'], from, to)).toEqual(between);
  });
});

describe('a list as a file', () => {
  it('keeps figures and letters, and is no formula to anybody', async () => {
    const file = await csvOf([
      ['Number', 'Gross'],
      ['HW-1, “späte”', '-12.50'],
      ['=HYPERLINK("x")', '+3'],
      ['@all', '-1+2'],
      ['two\nlines', '0.00'],
    ]);
    expect(file).toBe(
      '\ufeffNumber,Gross\r\n"HW-1, “späte”",-12.50\r\n"\'=HYPERLINK(""x"")",+3\r\n"\'@all","\'-1+2"\r\n"two\nlines",0.00\r\n',
    );
  });
});

describe('columns', () => {
  it.each([
    [0.5, 1],
    [1.17, 1],
    [1.2, 1.02],
    [1.88, 1.598],
    [1.9, 1.6],
    [3, 1.6],
  ])('with %f times the room that they need are %f times as wide', (times, factor) =>
    expect(grown(times)).toBeCloseTo(factor),
  );
});

describe('the room of a list', () => {
  it.each([
    [[undefined, 230, 150], 490],
    [[undefined, 230, 150, '50%'], 980],
    [['60%', '40%'], 220],
    [['60%', '40%', 90], 330],
  ] as const)('%j needs %d', (widths, least) => expect(leastWidthOf([...widths])).toBeCloseTo(least));

  it.each([971, 1240, 1880, 3800])('leaves some of %d to the column that has no width of its own', (room) => {
    const widths = [undefined, 230, 150, 54, '44%'] as const;
    const taken = (230 + 150 + 54) * grown(room / leastWidthOf([...widths])) + 0.44 * room;
    expect(room - taken).toBeGreaterThanOrEqual(109);
  });
});
