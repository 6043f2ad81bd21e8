import type { Schemas } from '../api/client';

type Kind = Schemas['KindJson'];

export const kindsOf = (kinds: Kind[], side: 'source' | 'ledger', entry?: string) =>
  kinds.filter((kind) => kind.side === side && (entry === undefined || kind.entry === entry));

export const kindOf = (kinds: Kind[], code: string) => kinds.find((kind) => kind.code === code);

/** What a kind asks for beside address and key. */
export const ownFields = (kind: Kind) =>
  kind.form.filter((field) => field.name !== 'address' && field.name !== 'key');

/** What stands in its own fields to begin with. */
export const usualAnswers = (kind: Kind): Record<string, string> =>
  Object.fromEntries(ownFields(kind).map((field) => [field.name, field.usual]));

/** What stands in a field of its form to begin with. */
export const usual = (kind: Kind | undefined, name: string) =>
  kind?.form.find((field) => field.name === name)?.usual ?? '';
