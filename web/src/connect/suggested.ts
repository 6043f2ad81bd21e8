import type { Schemas } from '../api/client';
import type { Kind } from './steps';

export interface Suggested {
  key: string;
  kind: Kind;
  code: string;
  left: string;
  right: string;
  reason: string;
  /** Gross of the documents that the open row holds up. */
  blocked: string;
}

/** What is suggested where a row is open, or is certain; the most money first. */
export function suggested(kind: Kind, rows: Schemas['MapRow'][]): Suggested[] {
  return rows.flatMap((row) => {
    const { suggestion } = row;
    if (row.row || !suggestion || !(row.open || suggestion.exact)) {
      return [];
    }
    return [
      {
        key: `${kind} ${row.code}`,
        kind,
        code: row.code,
        left: kind === 'ROLE' ? row.name : `${row.code} ${row.name}`,
        right: [suggestion.code, suggestion.name].filter((each) => each !== '').join(' '),
        reason: suggestion.reason,
        blocked: row.blockedAmount,
      },
    ];
  });
}
