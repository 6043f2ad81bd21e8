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

export function standing(batch: Batch): string {
  const parts = [
    [batch.posted, 'posted'],
    [batch.refused, 'refused'],
    [batch.unreached, 'did not get through'],
    [batch.unconfirmed, 'unconfirmed'],
    [batch.open, 'on the way'],
  ] as const;
  return parts
    .filter(([count]) => count > 0)
    .map(([count, word]) => `${count} ${word}`)
    .join(', ');
}
