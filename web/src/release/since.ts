import type { Schemas } from '../api/client';
import { ledgers, type Decided } from './decided';

/** `due date, issue date and line 1`. */
const listed = (fields: readonly string[]) =>
  [...fields.slice(0, -2), fields.slice(-2).join(' and ')].join(', ').replaceAll('-', ' ');

/** What happened to a document since both sides agreed on it, and what can be done. */
/**
 * @param goesAgain whether it can be sent in the place of what stands there; money cannot
 * @param open the fields that both changed and nobody has decided yet
 * @param decided whose stands of the others
 */
export function whatHappened(
  since: Schemas['Since'],
  source: string,
  ledger: string,
  goesAgain = true,
  open: readonly string[] = [],
  decided: Decided = {},
): string {
  if (since.voided) {
    return `It was voided in ${source} after it was posted, and still stands in ${ledger}. Void it there too.`;
  }
  if (!goesAgain && since.voidedOnLedger) {
    return `It was voided in ${ledger} after it came from there, and still stands in ${source}. Take it back there too.`;
  }
  if (!goesAgain) {
    return `It was changed in ${since.changedOnLedger ? ledger : source} after it was posted. Let ${ledger}’s stand, or void it there and enter it anew.`;
  }
  if (since.changedOnSource && since.changedOnLedger) {
    if (since.notTogether === '' && open.length > 0) {
      return `Both sides changed ${listed(open)}. Say whose stands, in its row; the rest of what each changed can stay.`;
    }
    const kept = ledgers(decided);
    if (since.notTogether === '' && kept.length > 0) {
      return `${ledger} keeps its ${listed(kept)} and whatever else was changed there alone, and takes the rest of what ${source} changed.`;
    }
    return since.notTogether === ''
      ? `Each side changed something else. Both can stand: ${ledger} takes what ${source} changed, and keeps its own.`
      : `It was changed on both sides after it was posted. Sending it as ${source} has it replaces what was done in ${ledger}.`;
  }
  if (since.taxDecided && !since.changedOnSource) {
    return `${ledger} decides tax itself and charged ${since.taxDecided}, which is not what ${source} states. Change it in ${source}, or let ${ledger}’s stand.`;
  }
  if (since.changedOnLedger) {
    return `It was changed in ${ledger} after it was posted. Sending it puts back what ${source} has.`;
  }
  return `It was changed in ${source} after it was posted. Sending it changes what stands in ${ledger}, in its place.`;
}

/** The same where the ledger takes files: nothing can be sent to it in the place of what stands there. */
export function inAFile(since: Schemas['Since'], source: string, ledger: string): string {
  const further = `what ${source} changed goes with a further revision of its batch`;
  return since.changedOnLedger
    ? `It stands in ${ledger} otherwise than it was given. Correct it there and take in its register, or let it stand; ${further}.`
    : `It was changed in ${source} after it was posted; ${further}.`;
}
