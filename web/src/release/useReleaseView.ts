import type { RecordKind } from '../api/queries';
import { useMemo } from 'react';
import { useView } from '../app/useView';

export type Order = 'DATE' | 'NUMBER' | 'PARTY' | 'GROSS';
export type Panel = 'why' | 'batch' | 'intake' | 'none';

const GROUPED = new Set(['Blocked', 'Refused']);

const idsOf = (text: string) => new Set(text.split(',').filter(Boolean).map(Number));

export interface What {
  name: string;
  kinds: RecordKind[];
  /** What one of them is called. */
  one: 'document' | 'payment' | 'banking';
}

const what = (name: string, one: What['one'], ...kinds: RecordKind[]): What => ({ name, kinds, one });
const IN: RecordKind[] = ['PAYMENT_IN', 'REFUND', 'RETURNED_IN'];
const OUT: RecordKind[] = ['PAYMENT_OUT', 'SUPPLIER_REFUND', 'RETURNED_OUT'];

/** What a list can be narrowed to, by its word in the address. */
export const WHATS: Record<string, What> = {
  documents: what('Documents', 'document', 'INVOICE', 'CREDIT_NOTE', 'BILL', 'SUPPLIER_CREDIT'),
  invoices: what('Invoices', 'document', 'INVOICE'),
  'credit-notes': what('Credit notes', 'document', 'CREDIT_NOTE'),
  bills: what('Bills', 'document', 'BILL'),
  'supplier-credits': what('Supplier credits', 'document', 'SUPPLIER_CREDIT'),
  payments: what('Payments', 'payment', ...IN, ...OUT),
  'payments-in': what('Payments received', 'payment', ...IN),
  'payments-out': what('Payments made', 'payment', ...OUT),
  bankings: what('Bankings', 'banking', 'BANKING'),
};

/** What of the documents is shown, as the address bar says. */
export function useReleaseView() {
  const view = useView();
  const state = view.get('state') || 'Blocked';
  const chosenText = view.get('chosen');
  const chosen = useMemo(() => idsOf(chosenText), [chosenText]);
  const setChosen = (ids: Set<number>) => view.set({ chosen: [...ids].join(',') }, { replace: true });
  return {
    state,
    grouped: GROUPED.has(state),
    what: view.get('what'),
    kind: WHATS[view.get('what')]?.kinds,
    from: view.get('from') || undefined,
    to: view.get('to') || undefined,
    text: view.get('text') || undefined,
    order: (view.get('order') || 'DATE') as Order,
    descending: view.get('direction') !== 'up',
    document: Number(view.get('document')) || null,
    documentNow: () => Number(view.now('document')) || null,
    panel: (view.get('panel') || 'why') as Panel,
    /** Whether the batch is shown as it would stand on the ledger. */
    dry: view.get('dry') !== '',
    /** The batch of which a further revision is made. */
    replaces: Number(view.get('replaces')) || null,
    runDry: (dry: boolean) => view.set({ dry: dry ? 'yes' : null }),
    chosen,
    chosenNow: () => idsOf(view.now('chosen')),
    set: view.set,
    open: (panel: Panel) => view.set({ panel, dry: null, replaces: null }),
    select: (id: number) => view.set({ document: String(id) }, { replace: true }),
    setChosen,
  };
}

export type ReleaseView = ReturnType<typeof useReleaseView>;
