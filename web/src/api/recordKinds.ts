/** What a record is, as people say it; the word is the server's. */
const NAMES: Record<string, string> = {
  invoice: 'invoice',
  'credit-note': 'credit note',
  bill: 'bill',
  'supplier-credit': 'supplier credit',
  'payment-in': 'payment received',
  refund: 'refund',
  'returned-in': 'returned payment',
  'payment-out': 'payment made',
  'supplier-refund': 'refund from a supplier',
  'returned-out': 'returned payment to a supplier',
  banking: 'banking',
};
const SHORT: Record<string, string> = {
  'payment-in': 'payment',
  refund: 'refund',
  'returned-in': 'returned',
  'payment-out': 'payment',
  'supplier-refund': 'refund',
  'returned-out': 'returned',
  banking: 'banking',
};
const GIVEN_BACK = new Set([
  'credit-note',
  'supplier-credit',
  'refund',
  'returned-in',
  'supplier-refund',
  'returned-out',
]);
const DOCUMENTS = new Set(['invoice', 'credit-note', 'bill', 'supplier-credit']);

export const kindName = (kind: string) => NAMES[kind] ?? kind;

/** One word of a settlement, for a line of a list; empty for a document, which needs none. */
export const shortKind = (kind: string) => SHORT[kind] ?? '';

/** Whether it is money: no document with lines and tax. */
export const isSettlement = (kind: string) => !DOCUMENTS.has(kind);

/** What counts negative in a total. */
export const isGivenBack = (kind: string) => GIVEN_BACK.has(kind);
