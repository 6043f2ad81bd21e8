import type { Schemas } from '../api/client';

/** Whose stands of the fields that both sides changed, by field. */
export type Decided = Readonly<Record<string, 'SOURCE' | 'LEDGER'>>;

type Change = Schemas['FieldChange'];

/** The fields that both changed and nobody has decided yet, in their order. */
export const undecided = (changes: readonly Change[], decided: Decided) =>
  changes
    .filter((change) => change.becomes === 'CONFLICT' && !decided[change.field])
    .map((change) => change.field);

/** Those that stay as the ledger has them. */
export const ledgers = (decided: Decided) =>
  Object.entries(decided)
    .filter(([, whose]) => whose === 'LEDGER')
    .map(([field]) => field);
