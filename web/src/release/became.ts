import type { Schemas } from '../api/client';
import { day } from '../ui/format';

type Row = Pick<Schemas['DocumentRow'], 'state' | 'sentence' | 'ledgerNumber' | 'crossedAt'>;

/** What became of a document, for those who do not see how it is booked. */
export function became(row: Row, source: string): string {
  switch (row.state) {
    case 'Waiting':
      return `waits for approval in ${source}`;
    case 'Ready':
      return 'ready, and not sent yet';
    case 'Queued':
      return 'on its way';
    case 'Unconfirmed':
      return 'sent, and not confirmed yet';
    case 'Posted':
      return `booked as ${row.ledgerNumber}${crossed(row)}`;
    case 'Diverged':
      return `booked as ${row.ledgerNumber}, changed since`;
    case 'Voided':
      return 'voided';
    default:
      return row.sentence;
  }
}

const crossed = (row: Row) => (row.crossedAt ? ` on ${day(row.crossedAt.slice(0, 10))}` : '');
