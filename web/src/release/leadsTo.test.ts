import { describe, expect, it } from 'vitest';
import { leadsTo } from './leadsTo';

const part = (place: Parameters<typeof leadsTo>[0]['place'], kind: string, code: string) =>
  leadsTo({ text: code, place, kind, code }, 'yard');

describe('a code in a sentence', () => {
  it('leads to where it is looked after', () => {
    expect(part('REFERENCE', 'TAX_CODE', 'IK 21+')).toBe(
      '/connect?view=reference&route=yard&kind=TAX_CODE&text=IK%2021%2B',
    );
    expect(part('CROSSWALK', 'LINE_KIND', 'GOODS')).toBe(
      '/map?route=yard&kind=line_kind&row=GOODS&text=GOODS',
    );
    expect(part('RECORD', '', 'HL-20417')).toBe('/release?route=yard&state=All&text=HL-20417');
  });
  it('leads nowhere where it has no place', () => {
    expect(part('NOWHERE', '', '')).toBe('');
  });
});
