import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { useLast } from '../batch/useLast';
import { amount, sum } from '../ui/format';
import { useNotice } from '../ui/notices';
import { fitting, shortBy } from './fits';
import { bankingPreviewQuery, type Order, type Sheet } from './queries';
import { amountOf, tickedFirst } from './ticked';

type Difference = Order['difference'];

/** One banking in hand: what is ticked, what the slip says, and what that makes. */
export function useBanking(sheet: Sheet) {
  const { me, route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const made = sheet.banking?.withdrawn === '' ? sheet.banking : undefined;
  const [chosen, setChosen] = useState(() => tickedFirst(sheet));
  const [slip, setSlip] = useState(made?.slip ?? '');
  const [stated, setStated] = useState(statedOf(made));
  const [why, setWhy] = useState(made?.why ?? '');
  const [difference, setDifference] = useState<Difference>(differenceOf(made));
  const ticked = sheet.receipts.filter((each) => chosen.has(each.id));
  const left = sheet.receipts.filter((each) => !chosen.has(each.id));
  const order: Order = {
    route: route.code,
    account: sheet.account,
    day: sheet.day,
    slip,
    stated,
    difference,
    why,
    receipts: ticked.map((each) => each.id),
    version: sheet.banking?.version ?? 0,
  };
  const preview = useQuery({
    ...bankingPreviewQuery(order),
    enabled: me.mayChange && ticked.length > 0,
    retry: false,
  });
  const does = useLast(preview.data, `${sheet.account} ${sheet.day}`);
  const total = amountOf(ticked);
  const says = stated === '' || preview.error ? undefined : does?.stated || undefined;
  const short = shortBy(says, total);
  const agree = short === '' || Number(short) === 0;
  const fits = fitting(left, short);
  const bank = useMutation({
    mutationFn: () => answer(client.POST('/api/bankings', { body: order })),
    onSuccess: async (now) => {
      await refresh();
      notice({ tone: 'done', text: doneWith(now) });
    },
  });
  return {
    chosen,
    setChosen,
    slip,
    setSlip,
    stated,
    setStated,
    why,
    setWhy,
    difference,
    setDifference,
    ticked,
    left,
    total,
    says,
    short,
    agree,
    fits,
    tickFits: () => setChosen(new Set([...chosen, ...fits.map((each) => each.id)])),
    hasCash: ticked.some((each) => each.cash),
    /** What the bank gets. */
    amount: difference === 'CASH' && says !== undefined && !agree ? says : total,
    preview,
    does,
    bank,
    /** What is made already and stands. */
    made,
    isChanged: isChanged(sheet, order, made),
    mayBank:
      ticked.length > 0 &&
      Number(total) > 0 &&
      // Nothing is banked that was not understood as it is shown.
      preview.isSuccess &&
      !bank.isPending &&
      (agree || (difference !== 'NONE' && why.trim() !== '')),
  };
}

export type BankingInHand = ReturnType<typeof useBanking>;
type Made = Sheet['banking'];

/** As whoever looks at it writes amounts, so that it can be typed on. */
const statedOf = (made: Made) => (made === undefined || made.stated === '' ? '' : amount(made.stated));

function differenceOf(made: Made): Difference {
  if (made === undefined || made.stated === '') {
    return 'NONE';
  }
  if (Number(made.difference) !== 0) {
    return 'CASH';
  }
  return Number(sum([made.stated, `-${made.amount}`])) === 0 ? 'NONE' : 'KEPT';
}

/** Whether it would be another thing than was banked. */
function isChanged(sheet: Sheet, order: Order, made: Made): boolean {
  if (made === undefined) {
    return true;
  }
  const before = sheet.receipts.filter((each) => each.banked).map((each) => each.id);
  return (
    order.slip !== made.slip ||
    order.stated !== statedOf(made) ||
    order.why !== made.why ||
    order.difference !== differenceOf(made) ||
    before.length !== order.receipts.length ||
    before.some((each) => !order.receipts.includes(each))
  );
}

const doneWith = (now: Sheet) =>
  now.banking === undefined
    ? 'Banked.'
    : now.banking.revision > 1
      ? `${now.banking.number} is corrected.`
      : `${now.banking.number} is made.`;
