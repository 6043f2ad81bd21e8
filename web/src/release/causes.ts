import { isSettlement } from '../api/recordKinds';

/** What to do about a cause that no row of the crosswalk settles. */
export function advice(cause: string, source: string, ledger: string): string {
  const [kind = ''] = cause.split(':');
  switch (kind) {
    case 'arithmetic-differs':
      return 'Ask for a corrected file and take it in; it replaces this one';
    case 'tax-differs':
      return `Check the rates in ${source}`;
    case 'tax-not-charged':
      return `Check the tax in ${source}: its category charges nothing, and its rate does`;
    case 'no-lines':
      return `Ask for it with its lines, or leave it out in ${source}`;
    case 'type-unknown':
      return 'Ask what it is; a corrected file replaces this one';
    case 'corrects-unknown':
      return 'Take in the document that it corrects first';
    case 'not-a-party':
      return 'Open one and say which of the two you are';
    case 'currency-unavailable':
      return `${ledger} cannot take this currency`;
    case 'rate-unknown':
      return `Enter the rate of that day in ${ledger}, or state one in ${source}, and fetch again`;
    case 'currency-differs':
      return `Say in ${source} what it is worth in the document’s own currency`;
    case 'dimension-unusable':
      return `Choose another value on Map, or make it active in ${ledger}`;
    case 'account-unusable':
      return `Map to another account, or make it active in ${ledger}`;
    case 'tax-code-unusable':
      return 'Choose another tax code on Map';
    case 'unrouted':
      return 'Add a route for the site under Connect';
    case 'several-tax-codes':
      return `Divide it in ${source}, one document for each tax code`;
    case 'before-cut-off':
      return 'The first day is under Settings of Connect';
    case 'does-not-cross':
      return 'What crosses is under Settings of Connect';
    case 'waits-for':
      return 'Released by itself once that is sent';
    case 'several-parties':
    case 'allocated-too-much':
    case 'allocation-unfit':
      return `Correct it in ${source}`;
    case 'difference-too-large':
      return 'How many cents may be missing is under Settings of Connect';
    case 'refused':
      return REFUSALS[cause.slice('refused:'.length)]?.(source, ledger) ?? `See what ${ledger} said`;
    default:
      return '';
  }
}

/** Where in Alcabala such a cause is settled; empty when it is settled elsewhere. */
export function placeOf(cause: string, route: string): string {
  switch (cause.split(':')[0]) {
    case 'unrouted':
      return `/connect?view=connections&route=${route}`;
    case 'difference-too-large':
      return `/connect?view=settings&setting=PAYMENT_DIFFERENCE&route=${route}`;
    case 'waits-for':
      return `/release?route=${route}&state=All&text=${encodeURIComponent(cause.slice(cause.indexOf(' ') + 1))}`;
    case 'before-cut-off':
      return `/connect?view=crossing&setting=INVOICES_CUT_OFF&route=${route}`;
    case 'does-not-cross':
      return `/connect?view=crossing&setting=${directionOf(cause)}&route=${route}`;
    default:
      return '';
  }
}

/** The setting that says whether such documents cross: `does-not-cross:credit-note` is about CREDIT_NOTES. */
function directionOf(cause: string) {
  const kind = cause.slice('does-not-cross:'.length);
  if (isSettlement(kind)) {
    return PAID.has(kind) ? 'PAYMENTS_OUT' : 'PAYMENTS';
  }
  return `${kind.replace('-', '_').toUpperCase()}S`;
}

const PAID = new Set(['payment-out', 'supplier-refund', 'returned-out']);

const REFUSALS: Record<string, (source: string, ledger: string) => string> = {
  'number-taken': (source) => `Renumber it in ${source}, then fetch`,
  'period-locked': (_, ledger) => `Open the period in ${ledger}, then send again`,
};
