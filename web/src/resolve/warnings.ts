import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { advice, placeOf } from '../release/causes';
import type { Sides } from './words';

export type Warning = Schemas['WarningJson'];

/** What stands in the way before anything is sent. */
export const warningsQuery = (route: string) =>
  queryOptions({
    queryKey: ['held', route, 'warnings'],
    queryFn: () => answer(client.GET('/api/resolve/warnings', { params: { query: { route } } })),
  });

/** `tax-rate-differs:V13` is about `V13`. */
const codeOf = (cause: string) => cause.slice(cause.indexOf(':') + 1);

/** A warning in a few words. */
export function titleOf({ cause }: Warning, { source, ledger }: Sides): string {
  const [kind = '', which = ''] = cause.split(':');
  if (kind === 'check') {
    return CHECKS[which]?.(ledger) ?? which;
  }
  if (kind === 'set-aside') {
    return which === 'feed' ? `${source} began again` : `Cannot be used as it came: ${which}`;
  }
  return FOUND[kind]?.(codeOf(cause), ledger) ?? kind.replaceAll('-', ' ');
}

const CHECKS: Record<string, (ledger: string) => string> = {
  CONSENT: (ledger) => `${ledger} lets us in no longer, or not for long`,
  SAME_BOOKS: (ledger) => `${ledger} answers for other books`,
  NUMBERS: (ledger) => `Numbers that ${ledger} has already`,
  PERIOD: (ledger) => `A period that is locked in ${ledger}`,
  ITEM_NAMES: () => 'Items that would get one name',
  TRAIL: () => 'The trail is not whole',
  CALENDAR: () => 'The sides are not at the same time',
};

const FOUND: Record<string, (code: string, ledger: string) => string> = {
  'account-unusable': (code, ledger) => `Account ${code} cannot be used in ${ledger}`,
  'tax-code-unusable': (code, ledger) => `The tax code of ${code} cannot be used in ${ledger}`,
  'tax-rate-differs': (code) => `The sides have other rates for ${code}`,
  'tax-category-differs': (code) => `The sides have other categories for ${code}`,
  'dimension-unusable': (code, ledger) => `${code} cannot be used in ${ledger}`,
  'terms-unusable': (code, ledger) => `The terms of ${code} cannot be used in ${ledger}`,
  'field-unusable': (code, ledger) => `The field of ${code} cannot be used in ${ledger}`,
  'party-doubtful': (code, ledger) => `${code} may be somebody ${ledger} has`,
  'allocated-too-much': () => 'More is settled than is open',
  'allocation-unfit': () => 'What is settled cannot be settled so',
  'payment-twice': () => 'One payment, perhaps, entered twice',
  'entered-there': (code, ledger) =>
    code.startsWith('may-be-here')
      ? `Entered in ${ledger}, and perhaps known already`
      : `Entered in ${ledger}, and stays there`,
};

/** What to do about it. */
export function remedyOf({ cause, remedy }: Warning, { source, ledger }: Sides): string {
  const [kind = ''] = cause.split(':');
  return remedy || FIXES[kind]?.(ledger) || advice(cause, source, ledger);
}

/** Of what a row of the crosswalk puts right. */
const FIXES: Record<string, (ledger: string) => string> = {
  'party-doubtful': (ledger) => `Say which of ${ledger}’s parties it is, or that it is a new one`,
  'tax-rate-differs': (ledger) => `Map it to a code of the same rate, or put the rate right in ${ledger}`,
  'tax-category-differs': (ledger) => `Map it to a code of the same category, or put that right in ${ledger}`,
};

/** Where in Alcabala it is put right; empty where it is put right elsewhere, or in its pane. */
export const linkOf = ({ cause, link }: Warning, route: string): string =>
  link !== '' ? link : placeOf(cause, route);

const ON_LEDGER =
  /^(check:(PERIOD|CALENDAR|NUMBERS|CONSENT|SAME_BOOKS)|entered-there|account-unusable|tax-code-unusable|tax-rate-differs|tax-category-differs|dimension-unusable|terms-unusable|field-unusable)/;

/** The ledger’s own screens, where it is on the ledger that something can be put right; empty elsewhere. */
export const deskOf = ({ cause }: Warning, ledgerDesk: string): string =>
  ON_LEDGER.test(cause) ? ledgerDesk : '';

/** The two payments of `payment-twice:12-15`. */
export function paymentsOf({ cause }: Warning): { ours: number; theirs: number } | undefined {
  const [, ours, theirs] = /^payment-twice:(\d+)-(\d+)$/.exec(cause) ?? [];
  return ours && theirs ? { ours: Number(ours), theirs: Number(theirs) } : undefined;
}

/** Whether documents that were entered on the ledger stay there for a reason. */
export const isEnteredThere = ({ cause }: Warning) => cause.startsWith('entered-there:');

/** Whether it is asked of one of these whether the source has it already. */
export const isAskedOf = ({ cause }: Warning) => cause.startsWith('entered-there:may-be-here:');

/** What kind of records `set-aside:document` is about. */
export const setAsideOf = ({ cause }: Warning): string | undefined => /^set-aside:(.*)$/.exec(cause)?.[1];
