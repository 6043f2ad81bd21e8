import { sum } from '../ui/format';

interface Weighed {
  id: number;
  amount: string;
}

/** So few are tried two by two that it is done at once. */
const MOST_IN_PAIRS = 400;

const negated = (amount: string) => (amount.startsWith('-') ? amount.slice(1) : `-${amount}`);
const isNothing = (amount: string) => Number(amount) === 0;
const cents = (amount: string) => sum([amount, '0.00']);

/** How much the slip says more than is ticked; empty where it says nothing that can be read. */
export function shortBy(stated: string | undefined, ticked: string): string {
  return stated === undefined ? '' : sum([stated, negated(ticked)]);
}

/** What of that which is not ticked comes to exactly what is short: one, or two together. */
export function fitting(left: Weighed[], short: string): Weighed[] {
  if (short === '' || isNothing(short)) {
    return [];
  }
  const wanted = cents(short);
  const one = left.find((each) => cents(each.amount) === wanted);
  if (one) {
    return [one];
  }
  return left.length > MOST_IN_PAIRS ? [] : pair(left, wanted);
}

function pair(left: Weighed[], wanted: string): Weighed[] {
  const seen = new Map<string, Weighed>();
  for (const each of left) {
    const other = seen.get(sum([wanted, negated(cents(each.amount))]));
    if (other) {
      return [other, each];
    }
    seen.set(cents(each.amount), each);
  }
  return [];
}
