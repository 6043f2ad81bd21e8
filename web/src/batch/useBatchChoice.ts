import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { roadQuery, summaryQuery } from '../api/queries';
import { useCurrent } from '../app/current';
import type { ReleaseView } from '../release/useReleaseView';

/** What of that which is ready goes together: one side, one family, one currency. */
interface What {
  name: string;
  purchases: boolean;
  payments: boolean;
}

const SALES: What = { name: 'Sales', purchases: false, payments: false };
const PURCHASES: What = { name: 'Purchases', purchases: true, payments: false };
const RECEIVED: What = { name: 'Payments received', purchases: false, payments: true };
const MADE: What = { name: 'Payments made', purchases: true, payments: true };

/** Which records a batch takes: those that were chosen, or all that is ready of one kind in the span of days. */
export function useBatchChoice(view: ReleaseView) {
  const { route } = useCurrent();
  const road = useQuery(roadQuery(route.code));
  const [what, setWhat] = useState<What>(view.family === 'SETTLEMENT' ? RECEIVED : SALES);
  const [currency, setCurrency] = useState(route.currency);
  const ready = useQuery(
    summaryQuery({ route: route.code, family: what.payments ? 'SETTLEMENT' : 'DOCUMENT' }),
  );
  const sums = ready.data?.states.find((each) => each.state === 'Ready')?.gross ?? [];
  const [dated, setDated] = useState<string>();
  const choice: Schemas['ChoiceJson'] = {
    route: route.code,
    currency,
    purchases: what.purchases,
    payments: what.payments,
    ids: view.chosen.size > 0 ? [...view.chosen] : undefined,
    from: view.from,
    to: view.to,
    dated,
  };
  return {
    choice,
    dated,
    setDated,
    what,
    setWhat,
    offered: [
      SALES,
      ...(road.data?.purchases ? [PURCHASES] : []),
      ...(road.data?.payments ? [RECEIVED] : []),
      ...(road.data?.payments && road.data.purchases ? [MADE] : []),
    ],
    currency,
    setCurrency,
    currencies: [...new Set([route.currency, ...sums.map((each) => each.currency)])],
  };
}
