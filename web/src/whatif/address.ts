import { NOTHING, type Meaning } from '../map/meaning';
import type { RowKind } from '../map/useChangeRow';

/** A row as it might be. */
export interface Supposed {
  kind: RowKind;
  code: string;
  /** Left out where the row would be taken away. */
  meaning?: Meaning;
}

/** Where one sees what a row would change, before it is saved. */
export const whatIfOf = (route: string, { kind, code, meaning }: Supposed) => {
  const said = new URLSearchParams({ route, kind, code });
  for (const [purpose, target] of Object.entries(meaning?.targets ?? {})) {
    said.set(`to-${purpose}`, target);
  }
  for (const [dimension, value] of Object.entries(meaning?.dimensions ?? {})) {
    said.set(`in-${dimension}`, value);
  }
  return `/map/what-if?${said.toString()}`;
};

/** The row that an address supposes. What it says that is not so, the server refuses. */
export function supposedBy(search: string): Supposed {
  const said = new URLSearchParams(search);
  const named = (prefix: string) =>
    Object.fromEntries(
      [...said].flatMap(([name, value]) => (name.startsWith(prefix) ? [[name.slice(3), value]] : [])),
    );
  const meaning = { targets: named('to-'), dimensions: named('in-') };
  const row = { kind: (said.get('kind') ?? 'ITEM') as RowKind, code: said.get('code') ?? '' };
  const nothing = JSON.stringify(meaning) === JSON.stringify(NOTHING);
  return nothing ? row : { ...row, meaning };
}
