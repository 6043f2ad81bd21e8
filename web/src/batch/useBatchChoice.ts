import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { batchQuery, roadQuery, summaryQuery } from '../api/queries';
import { useCurrent } from '../app/current';
import type { Decided } from './Options';
import { WHATS, type ReleaseView } from '../release/useReleaseView';

/** What of that which is ready goes together: one side, one family, one currency. */
interface What {
  name: string;
  purchases: boolean;
  payments: boolean;
  bankings: boolean;
  /** One of it. */
  word: string;
}

const SALES: What = {
  name: 'Sales',
  purchases: false,
  payments: false,
  bankings: false,
  word: 'document',
};
const PURCHASES: What = { ...SALES, name: 'Purchases', purchases: true };
const RECEIVED: What = { ...SALES, name: 'Payments received', payments: true, word: 'payment' };
const MADE: What = { ...RECEIVED, name: 'Payments made', purchases: true };
const BANKINGS: What = { ...SALES, name: 'Bankings', bankings: true, word: 'banking' };

/** What is made into a batch first, where a list is narrowed to something. */
const FIRST: Record<string, What> = {
  bills: PURCHASES,
  'supplier-credits': PURCHASES,
  payments: RECEIVED,
  'payments-in': RECEIVED,
  'payments-out': MADE,
  bankings: BANKINGS,
};

const kindsOf = (what: What) =>
  WHATS[what.bankings ? 'bankings' : what.payments ? 'payments' : 'documents']?.kinds;

/** Which records a batch takes: those that were chosen, or all that is ready of one kind in the span of days. */
export function useBatchChoice(view: ReleaseView) {
  const { route } = useCurrent();
  const road = useQuery(roadQuery(route.code));
  const [what, setWhat] = useState<What>(FIRST[view.what] ?? SALES);
  const [currency, setCurrency] = useState(route.currency);
  const ready = useQuery(
    summaryQuery({
      route: route.code,
      kind: kindsOf(what),
    }),
  );
  const sums = ready.data?.states.find((each) => each.state === 'Ready')?.gross ?? [];
  const [dated, setDated] = useState<string>();
  const [decided, setOptions] = useState<Decided>();
  // A further revision begins as the former one was.
  const former = useQuery({ ...batchQuery(view.replaces ?? 0), enabled: view.replaces !== null });
  const options = decided ?? former.data?.batch.options ?? {};
  const choice: Schemas['ChoiceJson'] = {
    route: route.code,
    currency,
    purchases: what.purchases,
    payments: what.payments,
    bankings: what.bankings,
    ids: view.chosen.size > 0 ? [...view.chosen] : undefined,
    from: view.from,
    to: view.to,
    dated,
    options: what === SALES || what === PURCHASES ? options : undefined,
  };
  return {
    choice,
    dated,
    setDated,
    options,
    setOptions,
    what,
    setWhat,
    offered: [
      SALES,
      ...(road.data?.purchases ? [PURCHASES] : []),
      ...(road.data?.payments ? [RECEIVED] : []),
      ...(road.data?.payments && road.data.purchases ? [MADE] : []),
      ...(road.data?.payments ? [BANKINGS] : []),
    ],
    currency,
    setCurrency,
    currencies: [...new Set([route.currency, ...sums.map((each) => each.currency)])],
  };
}
