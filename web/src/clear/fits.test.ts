import { describe, expect, it } from 'vitest';
import { fitting, shortBy } from './fits';

const left = [
  { id: 1, amount: '318.20' },
  { id: 2, amount: '247.50' },
  { id: 3, amount: '-12.00' },
  { id: 4, amount: '100.00' },
];

describe('what makes the slip exact', () => {
  it('is by how much the slip says more', () => {
    expect(shortBy('5275.63', '5028.13')).toBe('247.50');
    expect(shortBy('10.00', '12.50')).toBe('-2.50');
    expect(shortBy(undefined, '12.50')).toBe('');
  });

  it('is one that comes to it to the cent, else two together', () => {
    expect(fitting(left, '247.50').map((each) => each.id)).toEqual([2]);
    expect(fitting(left, '247.51')).toEqual([]);
    expect(fitting(left, '88.00').map((each) => each.id)).toEqual([3, 4]);
    expect(fitting(left, '-12.00').map((each) => each.id)).toEqual([3]);
    expect(fitting(left, '0.00')).toEqual([]);
    expect(fitting(left, '')).toEqual([]);
    const many = Array.from({ length: 400 }, (_, id) => ({ id, amount: `${id + 1}.00` }));
    expect(fitting(many, '799.00').map((each) => each.id)).toEqual([398, 399]);
    expect(fitting([...many, { id: 400, amount: '0.01' }], '799.00')).toEqual([]);
  });
});
