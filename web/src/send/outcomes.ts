import type { Schemas } from '../api/client';

export type Batch = Schemas['BatchJson'];
export type Dispatch = Schemas['DispatchJson'];

/** The state of a document that an outcome amounts to, for the glyph. */
export const STATE_OF: Record<string, string> = {
  queued: 'Queued',
  sending: 'Queued',
  unconfirmed: 'Unconfirmed',
  posted: 'Posted',
  refused: 'Refused',
  unreached: 'Ready',
};

export const WORD: Record<string, string> = {
  queued: 'queued',
  sending: 'on its way',
  unconfirmed: 'unconfirmed',
  posted: 'posted',
  refused: 'refused',
  unreached: 'did not get through',
};

/** A file that was taken is known to have left, and to be answered for later. */
export function wordOf(outcome: string, { files, undoes }: Pick<Batch, 'files' | 'undoes'>): string {
  if (outcome === 'posted' && undoes !== undefined) {
    return 'taken back';
  }
  return files && outcome === 'unconfirmed' ? 'in the file' : (WORD[outcome] ?? outcome);
}

/** `7`, or `7.2` for its second revision, as its files are called. */
export const numberOf = (batch: Batch) =>
  batch.revision > 1 ? `${batch.firstId}.${batch.revision}` : String(batch.id);

/** A batch by its number, and which revision of it this is. */
export const nameOf = (batch: Batch) =>
  batch.revision > 1 ? `Batch ${batch.firstId}, revision ${batch.revision}` : `Batch ${batch.id}`;

/** What is finished and left something there that did not itself take anything back. */
export const isUndoable = (batch: Batch) =>
  batch.posted > 0 && batch.undoes === undefined && batch.origin === 'source';

export function standing(batch: Batch): string {
  const parts = [
    [batch.posted, wordOf('posted', batch)],
    [batch.refused, 'refused'],
    [batch.unreached, batch.files ? 'withdrawn or missing' : 'did not get through'],
    [batch.unconfirmed, batch.files ? 'in the file, not answered for' : 'unconfirmed'],
    [batch.open, 'on the way'],
  ] as const;
  return parts
    .filter(([count]) => count > 0)
    .map(([count, word]) => `${count} ${word}`)
    .join(', ');
}
