import type { Schemas } from '../api/client';

export type Conventions = Schemas['ConventionsJson'];

/** How whoever is signed in writes; the server writes its sentences the same way. */
let conventions: Conventions = {
  days: 'DAY_MONTH',
  figures: 'COMMA_POINT',
  weekBegins: 'MONDAY',
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
};

export const follow = (now: Conventions) => {
  conventions = { ...now, zone: isZone(now.zone) ? now.zone : conventions.zone };
};

/** A server may know zones that this browser does not. */
function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

/** What stands between thousands, and before decimals. */
const FIGURES: Record<Conventions['figures'], [group: string, decimal: string]> = {
  COMMA_POINT: [',', '.'],
  POINT_COMMA: ['.', ','],
  SPACE_COMMA: ['\u00a0', ','],
  APOSTROPHE_POINT: ['’', '.'],
};

/** 1234.5 as `1,234.50`: the decimals are the currency's own, as the server sends them. */
export function amount(decimal: string): string {
  const [group, point] = FIGURES[conventions.figures];
  const [whole = '0', fraction] = decimal.split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, group);
  return fraction === undefined ? grouped : `${grouped}${point}${fraction}`;
}

/** `12.00 Dr` or `12.00 Cr`, as a balance is read. */
export const booked = (decimal: string): string =>
  /^-?0*(\.0+)?$/.test(decimal)
    ? amount(decimal.replace('-', ''))
    : `${amount(decimal.replace('-', ''))} ${decimal.startsWith('-') ? 'Cr' : 'Dr'}`;

export const counted = (count: number) => amount(String(count));

/** `€`, or the currency's code before a space that does not break, as on the server. */
function signOf(currency: string): string {
  const parts = new Intl.NumberFormat('en-GB', { style: 'currency', currency }).formatToParts(0);
  const sign = parts.find((part) => part.type === 'currency')?.value ?? currency;
  return sign === currency ? `${currency}\u00a0` : sign;
}

export const money = (decimal: string, currency: string): string =>
  decimal.startsWith('-') ? `-${money(decimal.slice(1), currency)}` : `${signOf(currency)}${amount(decimal)}`;

const LOCALES: Record<Conventions['days'], string> = { DAY_MONTH: 'en-GB', MONTH_DAY: 'en-US', ISO: 'sv-SE' };

/** By which days are typed and calendars are drawn. */
export const localeOfDays = () => LOCALES[conventions.days];

export const weekBegins = () =>
  conventions.weekBegins === 'SUNDAY' ? 'sun' : conventions.weekBegins === 'SATURDAY' ? 'sat' : 'mon';

/** `19 Nov`, with the year when it is not this one, or as one wants it. */
export function day(iso: string | null | undefined): string {
  if (!iso) {
    return '';
  }
  const date = iso.slice(0, 10);
  if (conventions.days === 'ISO') {
    return date;
  }
  return new Date(`${date}T00:00:00Z`).toLocaleDateString(LOCALES[conventions.days], {
    timeZone: 'UTC',
    day: 'numeric',
    month: 'short',
    year: date.startsWith(today().slice(0, 4)) ? undefined : 'numeric',
  });
}

/** `November`, with the year when it is not this one. */
export const monthOf = (iso: string): string =>
  new Date(`${iso.slice(0, 7)}-01T00:00:00Z`).toLocaleDateString('en-GB', {
    timeZone: 'UTC',
    month: 'long',
    year: iso.startsWith(today().slice(0, 4)) ? undefined : 'numeric',
  });

/** The room that a day needs in a list, in pixels. */
export const widthOfDay = () => (conventions.days === 'ISO' ? 88 : 62);

/** Today where the business is, as an ISO date. */
export const today = () => dateIn(new Date());

const dateIn = (moment: Date) => moment.toLocaleDateString('sv-SE', { timeZone: conventions.zone });

export function moment(iso: string): string {
  const date = new Date(iso);
  const time = date.toLocaleTimeString('en-GB', { timeZone: conventions.zone });
  return `${day(dateIn(date))}, ${time}`;
}

/** By whose clock moments are said. */
export const zone = () => conventions.zone;

export const plural = (count: number, noun: string) =>
  `${counted(count)} ${count === 1 ? noun : `${noun}s`.replace(/([^aeiou])ys$/, '$1ies')}`;

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
