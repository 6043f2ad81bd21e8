import type { Schemas } from '../api/client';

export type Purpose = Schemas['TokenListed']['purposes'][number];

/** What a token may be used for, in the order in which it is asked. */
export const PURPOSES: { purpose: Purpose; may: string }[] = [
  { purpose: 'READ', may: 'read' },
  { purpose: 'INTAKE', may: 'take documents in' },
  { purpose: 'SEND', may: 'fetch, approve and send' },
  { purpose: 'CHANGE', may: 'map, decide and connect' },
];

/** `may read, send` or `may all that its maker may`. */
export function mayInWords(purposes: Purpose[]): string {
  const all = PURPOSES.filter((each) => purposes.includes(each.purpose));
  return all.length === PURPOSES.length
    ? 'may all that its maker may'
    : `may ${all.map((each) => each.may).join('; ')}`;
}
