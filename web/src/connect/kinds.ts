import type { Schemas } from '../api/client';

type Kind = Schemas['KindJson'];

export const kindsOf = (kinds: Kind[], side: 'source' | 'ledger', entry?: string) =>
  kinds.filter((kind) => kind.side === side && (entry === undefined || kind.entry === entry));

export const kindOf = (kinds: Kind[], code: string) => kinds.find((kind) => kind.code === code);

/** What stands in a field of its form to begin with. */
export const usual = (kind: Kind | undefined, name: string) =>
  kind?.form.find((field) => field.name === name)?.usual ?? '';
