import type { Schemas } from '../api/client';

export type Recipient = Schemas['Recipient'];
export type Kind = Recipient['kinds'][number];

export const KINDS: { kind: Kind; says: string }[] = [
  { kind: 'RUNS', says: 'runs' },
  { kind: 'WAITING', says: 'waiting' },
  { kind: 'CONSENTS', says: 'consents' },
];

/** The line in which the next one is typed: whoever is added is told of everything until somebody says otherwise. */
export const NOBODY: Recipient = { address: '', kinds: KINDS.map((each) => each.kind) };

/** With another in one's place; a line is left free for the next. */
export function withOne(all: Recipient[], place: number, one: Recipient): Recipient[] {
  const changed = all.with(place, one);
  return changed.at(-1)?.address === '' ? changed : [...changed, NOBODY];
}

export const toggled = (one: Recipient, kind: Kind): Recipient => ({
  ...one,
  kinds: KINDS.map((each) => each.kind).filter((each) => one.kinds.includes(each) !== (each === kind)),
});

/** Those that were typed, each once. */
export const saidOf = (all: Recipient[]): Recipient[] => {
  const typed = all
    .map((each) => ({ ...each, address: each.address.trim() }))
    .filter((each) => each.address !== '');
  return typed.filter((each, place) => typed.findIndex((other) => other.address === each.address) === place);
};
