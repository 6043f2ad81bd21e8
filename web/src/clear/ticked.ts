import { sum } from '../ui/format';
import type { Receipt, Sheet } from './queries';

/** Why something is not ticked to begin with; empty for what is. */
export const whyLeft = (receipt: Receipt): string =>
  receipt.state === 'Voided'
    ? 'voided'
    : receipt.returned
      ? 'came back'
      : receipt.late
        ? 'received later'
        : '';

/** Of a banking that was made, what it takes; else all but what cannot be meant. */
export function tickedFirst({ banking, receipts }: Sheet): Set<number> {
  const made = banking !== undefined && banking.withdrawn === '';
  return new Set(
    receipts.filter((each) => (made ? each.banked : whyLeft(each) === '')).map((each) => each.id),
  );
}

export const amountOf = (receipts: Receipt[]) => sum(['0.00', ...receipts.map((each) => each.amount)]);

export interface MeansGroup {
  means: string;
  cash: boolean;
  receipts: Receipt[];
}

/** By means, cheques before cash as a slip lists them. */
export function byMeans(receipts: Receipt[]): MeansGroup[] {
  const means = [...new Set(receipts.map((each) => each.means))];
  return means
    .map((each) => {
      const of = receipts.filter((receipt) => receipt.means === each);
      return { means: each, cash: of.some((receipt) => receipt.cash), receipts: of };
    })
    .sort((a, b) => Number(a.cash) - Number(b.cash) || a.means.localeCompare(b.means));
}

/** `Cheque`, without its code. */
export const named = (means: string) => {
  const word = means.replace(/ \(.*\)$/, '');
  return word.charAt(0).toUpperCase() + word.slice(1);
};
