import type { Schemas } from '../api/client';

/** What would become of masters that only the ledger has, part by part. */
export const fatesOf = (
  { create, ask, stay }: Schemas['LackingCounts'],
  { source }: { source: string },
): string[] =>
  [
    create > 0 ? `${create} would be created in ${source}` : '',
    ask > 0 ? `${ask} would be asked about` : '',
    stay > 0 ? `${stay} ${stay === 1 ? 'stays' : 'stay'} there` : '',
  ].filter((each) => each !== '');
