import type { Schemas } from '../api/client';

export type Meaning = Schemas['Meaning'];

export const NOTHING: Meaning = { targets: {}, dimensions: {} };

/** What a row says that says all of these. */
export const together = (meanings: Meaning[]): Meaning => ({
  targets: Object.assign({}, ...meanings.map((each) => each.targets)) as Meaning['targets'],
  dimensions: Object.assign({}, ...meanings.map((each) => each.dimensions)) as Meaning['dimensions'],
});

/** `4010 Chandlery sales; department RIG`: everything that a row says. */
export const saidBy = (said: Schemas['Said'][]): string =>
  said
    .map(({ word, code, name }) =>
      [word.toLowerCase(), code, word === '' ? name : ''].filter((part) => part !== '').join(' '),
    )
    .join('; ');

/** Everything a row points to, as its history tells it. */
export const allSaid = (meaning: Meaning): string =>
  [...Object.values(meaning.targets), ...Object.values(meaning.dimensions)]
    .filter((each) => each !== '')
    .join(', ');
