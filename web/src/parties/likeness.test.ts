import { describe, expect, it } from 'vitest';
import { afterIt, inWords, together, verdict, type Evidence } from './likeness';

const evidence = (parts: Partial<Evidence>): Evidence => ({
  topic: 'PHONE',
  agreement: 'SAME',
  strength: 'STRONG',
  bits: 8,
  shared: 1,
  ...parts,
});

describe('what speaks for and against', () => {
  it.each([
    [{}, 'the same', 'strong'],
    [{ shared: 2 }, 'the same, as 2 there have', 'strong'],
    [{ topic: 'NAME', shared: 2 }, 'the same words', 'strong'],
    [{ topic: 'EMAIL', agreement: 'PARTLY', strength: 'FAIR' }, 'another box of the same house', 'fair'],
    [
      { topic: 'ADDRESS', agreement: 'CONTRADICTS', strength: 'AGAINST', bits: -4 },
      'another town',
      'against',
    ],
    [{ agreement: 'OTHER', strength: 'SOMEWHAT_AGAINST', bits: -1 }, 'another', 'somewhat against'],
    [{ agreement: 'SILENT', strength: 'NOTHING', bits: 0 }, 'says nothing', ''],
  ] as [Partial<Evidence>, string, string][])('%j', (parts, says, weighs) =>
    expect(inWords(evidence(parts))).toEqual({ says, weighs }),
  );

  it('is added up apart', () => {
    expect(together([evidence({ bits: 8 }), evidence({ bits: -3 }), evidence({ bits: 0.5 })])).toEqual({
      speaksFor: 8.5,
      against: 3,
    });
  });

  const known = { code: '', name: '', taxIdentifier: '', email: '', phone: '', billTo: '', shipTo: '' };
  it.each([
    [true, 90, 0, 'Certain'],
    [false, 50, 0, 'Likely'],
    [false, 49, 0, 'Open'],
    [false, 60, 1, 'Likely, one contradiction'],
    [false, 20, 2, 'Open, 2 contradictions'],
  ])('certain %s, score %d, %d against', (certain, score, against, says) =>
    expect(
      verdict({
        party: known,
        standsFor: [],
        certain,
        score,
        evidence: Array.from({ length: against }, () => evidence({ agreement: 'CONTRADICTS', bits: -4 })),
      }),
    ).toBe(says),
  );
});

describe('the pile', () => {
  const all = ['A', 'B', 'C'].map((code) => ({ code }));
  it.each([
    ['A', ['B', 'C']],
    ['B', ['C', 'A']],
    ['C', ['A', 'B']],
    ['X', ['A', 'B', 'C']],
  ])('after %s are %j', (code, others) =>
    expect(afterIt(all, code).map((each) => each.code)).toEqual(others),
  );
});
