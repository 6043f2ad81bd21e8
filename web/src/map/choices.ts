import { answer, client, type Schemas } from '../api/client';
import type { Choice, Search } from '../ui/choose/Chooser';
import type { Meaning } from './meaning';
import type { RowKind } from './useChangeRow';

type Option = Schemas['Option'];
export type Purpose = Schemas['Further']['purpose'];

/** What a row can say, as a choice. */
export interface Offered extends Choice {
  meaning: Meaning;
}

export interface Sought {
  route: string;
  kind: RowKind;
  purpose: Purpose;
  code?: string;
  dimension?: string;
  bought?: boolean;
  /** What stands for it there by now, which decides what else can be said. */
  beside?: string;
}

export const offered = (option: Option): Offered => ({ ...option, key: JSON.stringify(option.meaning) });

/** Looks on the ledger, on the server: there may be a hundred thousand. */
export const choicesOf =
  (sought: Sought): Search<Offered> =>
  (text) => ({
    queryKey: ['choices', sought.route, sought, text],
    queryFn: async () =>
      (await answer(client.GET('/api/map/choices', { params: { query: { ...sought, text } } }))).map(offered),
  });
