const today = new Date();

/** 1234.5 as `1,234.50`: the decimals are the currency's own, as the server sends them. */
export function amount(decimal: string): string {
  const [whole = '0', fraction] = decimal.split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, ',');
  return fraction === undefined ? grouped : `${grouped}.${fraction}`;
}

const SIGNS: Record<string, string> = { EUR: '€', GBP: '£', USD: '$', CAD: 'CA$', JPY: '¥' };

export const money = (decimal: string, currency: string): string =>
  decimal.startsWith('-')
    ? `-${money(decimal.slice(1), currency)}`
    : `${SIGNS[currency] ?? `${currency} `}${amount(decimal)}`;

/** `19 Nov`, with the year when it is not this one. */
export function day(iso: string | null | undefined): string {
  if (!iso) {
    return '';
  }
  const date = new Date(`${iso.slice(0, 10)}T00:00:00`);
  return date.toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: date.getFullYear() === today.getFullYear() ? undefined : 'numeric',
  });
}

export const moment = (iso: string) =>
  new Date(iso).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
  });

export const plural = (count: number, noun: string) =>
  `${count.toLocaleString('en-GB')} ${count === 1 ? noun : `${noun}s`.replace(/([^aeiou])ys$/, '$1ies')}`;

/** Adds decimal strings exactly, in minor units. */
export function sum(decimals: string[]): string {
  const scale = Math.max(0, ...decimals.map((each) => each.split('.')[1]?.length ?? 0));
  const total = decimals.reduce((all, each) => {
    const [whole = '0', fraction = ''] = each.replace('-', '').split('.');
    const minor = BigInt(whole + fraction.padEnd(scale, '0'));
    return each.startsWith('-') ? all - minor : all + minor;
  }, 0n);
  const digits = (total < 0n ? -total : total).toString().padStart(scale + 1, '0');
  const text = scale === 0 ? digits : `${digits.slice(0, -scale)}.${digits.slice(-scale)}`;
  return total < 0n ? `-${text}` : text;
}

export interface Sum {
  currency: string;
  amount: string;
}

/** What is in several currencies is never added up. */
export function together(sums: Sum[]): Sum[] {
  const currencies = [...new Set(sums.map((each) => each.currency))].sort();
  return currencies.map((currency) => ({
    currency,
    amount: sum(sums.filter((each) => each.currency === currency).map((each) => each.amount)),
  }));
}

/** `12.00`, where it is all in the currency that is known anyway; else in which each is. */
export function totals(sums: Sum[], known: string): string {
  const [only, ...others] = sums;
  return only && others.length === 0 && only.currency === known ? amount(only.amount) : moneys(sums);
}

/** `€12.00 and CA$3.00`. */
export const moneys = (sums: Sum[]): string =>
  sums.map((each) => money(each.amount, each.currency)).join(' and ');
