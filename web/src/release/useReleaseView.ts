import type { Family } from '../api/queries';
import { useMemo } from 'react';
import { useView } from '../app/useView';

export type Order = 'DATE' | 'NUMBER' | 'PARTY' | 'GROSS';
export type Panel = 'why' | 'batch' | 'intake' | 'none';

const GROUPED = new Set(['Blocked', 'Refused']);

const idsOf = (text: string) => new Set(text.split(',').filter(Boolean).map(Number));

const FAMILIES: Record<string, Family> = {
  documents: 'DOCUMENT',
  payments: 'SETTLEMENT',
  bankings: 'TRANSFER',
};

/** What of the documents is shown, as the address bar says. */
export function useReleaseView() {
  const view = useView();
  const state = view.get('state') || 'Blocked';
  const chosenText = view.get('chosen');
  const chosen = useMemo(() => idsOf(chosenText), [chosenText]);
  const setChosen = (ids: Set<number>) => view.set({ chosen: [...ids].join(',') }, true);
  return {
    state,
    grouped: GROUPED.has(state),
    family: FAMILIES[view.get('what')],
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
    select: (id: number) => view.set({ document: String(id) }, true),
    setChosen,
  };
}

export type ReleaseView = ReturnType<typeof useReleaseView>;
