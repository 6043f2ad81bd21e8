import { describe, expect, it } from 'vitest';
import { NOBODY, saidOf, toggled, withOne } from './recipients';

describe('who is written to', () => {
  it('has a free line for the next one', () => {
    const one = withOne([NOBODY], 0, { ...NOBODY, address: 'a@b.example' });
    expect(one.map((each) => each.address)).toEqual(['a@b.example', '']);
    expect(withOne(one, 0, { ...NOBODY, address: 'c@d.example' })).toHaveLength(2);
  });

  it('is told of what is ticked', () => {
    expect(toggled(NOBODY, 'WAITING').kinds).toEqual(['RUNS', 'CONSENTS']);
    expect(toggled({ address: '', kinds: ['CONSENTS'] }, 'RUNS').kinds).toEqual(['RUNS', 'CONSENTS']);
  });

  it('is each once, and nobody is left out', () => {
    const typed = [' a@b.example ', '', 'a@b.example'].map((address) => ({ ...NOBODY, address }));
    expect(saidOf(typed).map((each) => each.address)).toEqual(['a@b.example']);
  });
});
