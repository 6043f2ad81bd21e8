import { advice } from '../release/causes';
import type { HeldCause } from './queries';

export interface Sides {
  source: string;
  ledger: string;
  /** Whether the ledger takes files and cannot be asked. */
  toFiles: boolean;
}

interface Words {
  title: string;
  /** As a record of it is called. */
  state: string;
  /** What happened, why, and what to do. */
  says: string;
}

const BACK = 'back:';

/** What happened, whichever way it went: `refused:number-taken` of `back:refused:number-taken`. */
export const whatOf = ({ cause }: HeldCause): string =>
  cause.startsWith(BACK) ? cause.slice(BACK.length) : cause;

/** A cause in words: what happened, why, and what to do. What goes back goes to the source. */
export function wordsOf(held: HeldCause, { source, ledger, toFiles }: Sides): Words {
  if (held.cause.startsWith(BACK)) {
    return wordsOf({ ...held, cause: whatOf(held) }, { source: ledger, ledger: source, toFiles: false });
  }
  if (held.cause.startsWith('refused:')) {
    const said = held.said === '' ? 'It gave no reason.' : `It said: “${held.said}”`;
    return {
      title: REFUSED[held.cause.slice('refused:'.length)]?.(ledger) ?? (held.said || `${ledger} refused it`),
      state: 'Refused',
      says: `${ledger} did not take it, and nothing of it stands there. ${said} ${advice(held.cause, source, ledger)}; what was put right goes when it is sent again.`,
    };
  }
  if (held.cause === 'unconfirmed' && toFiles) {
    return {
      title: 'In a file, not answered for',
      state: 'Unconfirmed',
      says: `It went into a file for ${ledger}, and nobody has said yet what became of it. Import the file in ${ledger}, then take in its acceptance file, or its register, on the page of its batch.`,
    };
  }
  return CAUSES[held.cause]?.(source, ledger) ?? { title: held.cause, state: 'Diverged', says: '' };
}

/** What the ledgers' codes mean; another is named as the ledger says it. */
const REFUSED: Record<string, (ledger: string) => string> = {
  'period-locked': (ledger) => `The period is locked in ${ledger}`,
  'number-taken': (ledger) => `The number is taken in ${ledger}`,
};

const CAUSES: Record<string, (source: string, ledger: string) => Words> = {
  unconfirmed: (_, ledger) => ({
    title: 'Sent, the answer was lost',
    state: 'Unconfirmed',
    says: `Nobody knows yet whether ${ledger} has it, because its answer did not arrive. It is asked by key and by reference, by itself and with growing pauses; nothing is sent twice.`,
  }),
  unreached: (_, ledger) => ({
    title: `${ledger} was not reached`,
    state: 'Unreached',
    says: `It left here and ${ledger} could not be reached until its attempts ended. Nothing of it stands there; send it again.`,
  }),
  'gone-there': (source, ledger) => ({
    title: `Deleted in ${ledger}, still in ${source}`,
    state: 'Diverged',
    says: `${ledger} does not have it any more, and ${source}, which made it, does. Send it again, or void it in ${source} as well; nothing of it is done by itself.`,
  }),
  'gone-here': (source, ledger) => ({
    title: `Deleted in ${source}, still in ${ledger}`,
    state: 'Diverged',
    says: `${source}, which made it, does not have it any more, and ${ledger} does. Take it back there too, or leave it alone; nothing of it is done by itself.`,
  }),
  'voided-here': (source, ledger) => ({
    title: `Voided in ${source}, stands in ${ledger}`,
    state: 'Diverged',
    says: `It was voided in ${source} after it was posted, and ${ledger} still has it. Void it there too.`,
  }),
  'voided-there': (source, ledger) => ({
    title: `Voided in ${ledger}, stands in ${source}`,
    state: 'Diverged',
    says: `Somebody voided it in ${ledger}, and ${source} still has it. Let that stand, or send it again.`,
  }),
  'changed-both': (source, ledger) => ({
    title: 'Changed on both sides',
    state: 'Diverged',
    says: `${source} and ${ledger} were both changed after they last agreed. Keep what each changed, or say whose stands; what is replaced is kept on the trail.`,
  }),
  'changed-there': (source, ledger) => ({
    title: `Changed in ${ledger} alone`,
    state: 'Diverged',
    says: `Somebody changed it in ${ledger} after it was posted, and nothing of it comes back to ${source}. Put it back by sending, or let it stand.`,
  }),
  'not-together': (source, ledger) => ({
    title: `Changed in ${source}, kept otherwise in ${ledger}`,
    state: 'Diverged',
    says: `It was changed in ${source}, and ${ledger} keeps something that this would undo. Send it as ${source} has it, or let ${ledger}’s stand.`,
  }),
  'changed-here': (source, ledger) => ({
    title: `Changed in ${source} alone`,
    state: 'Diverged',
    says: `It was changed in ${source} after it was posted. Sending it changes what stands in ${ledger}, in its place.`,
  }),
};
