import { expect, it } from 'vitest';
import { lasting } from './lasting';

it.each([
  [0, '0 s'],
  [59, '59 s'],
  [60, '1 min 0 s'],
  [3599, '59 min 59 s'],
  [3600, '1 h 0 min'],
])('%i seconds are %s', (seconds, said) => expect(lasting(seconds)).toBe(said));
