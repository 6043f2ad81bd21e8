import { describe, expect, it } from 'vitest';
import { addressesIn, filled } from './wording';

describe('the wording of a mail', () => {
  it('has what its words stand for, and leaves what stands for nothing', () => {
    expect(
      filled('{batch} for {ledger}: {hash total} {customer} {', {
        batch: 'batch 7',
        ledger: 'Copperplate',
        'hash total': '91',
      }),
    ).toBe('batch 7 for Copperplate: 91 {customer} {');
  });

  it('goes to each address once, whatever stands between them', () => {
    expect(addressesIn(' a@b.example, c@d.example;a@b.example\ne@f.example ')).toEqual([
      'a@b.example',
      'c@d.example',
      'e@f.example',
    ]);
    expect(addressesIn('  ')).toEqual([]);
  });
});
