import type { Schemas } from '../api/client';
import type { RowKind } from '../map/useChangeRow';
import { plural } from '../ui/format';

type Waiting = Schemas['WaitingSide'];
type Reason = Schemas['Unclear']['reason'];

const NAMES: Record<RowKind, string> = {
  ITEM: 'Item',
  CATEGORY: 'Category',
  TAX: 'Tax',
  PARTY: 'Party',
  SUPPLIER: 'Supplier',
  PROJECT: 'Job',
  SITE: 'Site',
  LINE_KIND: 'Kind of line',
  LINE: 'Line',
  MEANS: 'Means of payment',
  PAYER: 'Payer',
  ROLE: 'Role',
  TERMS: 'Terms',
  FIELD: 'Field',
  CHOICE: 'Choice',
};

/** `Category paint`. */
export const rowName = (kind: RowKind, code: string) =>
  kind === 'ROLE' || kind === 'LINE_KIND'
    ? `${NAMES[kind]} ${code.toLowerCase().replaceAll('_', ' ')}`
    : `${NAMES[kind]} ${code}`;

const KINDS: [keyof Waiting['kinds'], (count: number) => string][] = [
  ['RELEASES', (count) => `${plural(count, 'document')} released`],
  ['BLOCKS', (count) => `${plural(count, 'document')} blocked`],
  ['BOOKS', (count) => `${plural(count, 'document')} on other accounts`],
  ['TAX', (count) => `${plural(count, 'document')} with another tax code`],
  ['PARTY', (count) => `${plural(count, 'document')} of another party there`],
  ['LATER', (count) => `${plural(count, 'document')} on other accounts once nothing else holds them up`],
  [
    'ENTRY',
    (count) => `${plural(count, 'document')} with other words, fields or items, on the same accounts`,
  ],
];

/** What becomes of those that wait, the gravest first. */
export const becomes = (kinds: Waiting['kinds']): string[] =>
  KINDS.flatMap(([kind, says]) => {
    const count = kinds[kind] ?? 0;
    return count > 0 ? [says(count)] : [];
  });

export const changed = (kinds: Waiting['kinds']) =>
  Object.values(kinds).reduce((sum, count) => sum + count, 0);

export const REASONS: Record<Reason, string> = {
  LINKED: 'was linked, not sent from here',
  CHANGED_THERE: 'was changed on the ledger since',
  HELD_UP: 'would be held up today by something else, so that it cannot be compared',
  OTHERWISE: 'is booked otherwise than any of the rows said',
  BLOCKS: 'would not cross under the new row',
  TAX: 'has another tax then: it has to be replaced, not moved',
  PARTY: 'is owed by another party then: it has to be replaced, not moved',
};
