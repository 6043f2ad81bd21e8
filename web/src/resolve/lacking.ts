import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { oneOf } from './masters';
import type { Sides } from './words';

export type LackingCause = Schemas['LackingCauseJson'];
export type LackingHeld = Schemas['LackingHeldJson'];
export type LackingAnswer = Schemas['LackingAnswerRequest']['answer'];

/** What is asked about parties and items that the source lacks. */
export const lackingQuery = (route: string) =>
  queryOptions({
    queryKey: ['held', route, 'lacking'],
    queryFn: () => answer(client.GET('/api/resolve/lacking', { params: { query: { route } } })),
  });

/** Whether the source did not take them; else it may have them. */
export const isNotTaken = ({ cause }: LackingCause): boolean => cause.endsWith(':not-taken');

/** A cause in words: what it is called, and what happened, why, and what to do. */
export function wordsOf(
  cause: LackingCause,
  { source, ledger }: Sides,
): { title: string; state: string; glyph: string; says: string } {
  const one = oneOf(cause.kind);
  const many = one === 'party' ? 'Parties' : 'Items';
  return isNotTaken(cause)
    ? {
        title: `${many} that ${source} did not take`,
        state: 'not taken',
        glyph: 'Not taken',
        says: `Only ${ledger} has this ${one}, and ${source} would not create it. Put it right in ${ledger} and it goes with the next run, or leave it where it is.`,
      }
    : {
        title: `${many} new in ${ledger}, perhaps known in ${source}`,
        state: 'asked about',
        glyph: 'Asked about',
        says: `Only ${ledger} has this ${one}, and ${source} has one that it resembles. Say whether the two are one; nothing is created until then.`,
      };
}

/** What an answer does to one, said before it is given; empty where it cannot be given. */
export function does(answered: LackingAnswer, held: LackingHeld, { source, ledger }: Sides): string {
  switch (answered) {
    case 'SAME':
      return held.resembles === '' || held.standsFor !== ''
        ? ''
        : `${held.resembles} of ${source} and ${held.counterpart} of ${ledger} stand for each other from now on`;
    case 'CREATE':
      return held.reason === ''
        ? `it is created in ${source} at once`
        : `${source} is asked for it once more, at once`;
    case 'LEAVE':
      return 'it stays where it is, and is not asked about again';
  }
}
