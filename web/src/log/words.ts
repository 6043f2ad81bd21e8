import type { Schemas } from '../api/client';
import { kindName } from '../api/recordKinds';
import { WORD } from '../send/outcomes';

export type LogEntry = Schemas['LogEntry'];
export type Way = LogEntry['way'];

interface Sides {
  source: string;
  ledger: string;
}

export const wayWords = ({ source, ledger }: Sides): Record<Way, string> => ({
  TO_LEDGER: `to ${ledger}`,
  TO_SOURCE: `to ${source}`,
  FROM_LEDGER: `from ${ledger}`,
});

export const kindSaid = (kind: string): string =>
  kind === 'party' || kind === 'item' ? kind : kindName(kind);

/** Where what crossed is looked at. */
export const pageOf = (entry: Pick<LogEntry, 'documentId' | 'kind' | 'number'>, route: string): string =>
  entry.documentId === undefined
    ? `/map?route=${route}&kind=${entry.kind === 'item' ? 'item' : 'party'}&text=${encodeURIComponent(entry.number)}`
    : `/documents/${entry.documentId}?route=${route}`;

/** What was done, or told. */
const ACTIONS: Record<string, string> = {
  created: 'made there',
  changed: 'changed in its place',
  'taken-back': 'taken back',
  'payment-brought-back': 'payment came back',
  'edited-on-ledger': 'edit came back',
  'agrees-again': 'both agree again',
  'field-brought-back': 'field came back',
  'field-not-brought-back': 'field did not come back',
};

export const actionSaid = (action: string): string => ACTIONS[action] ?? action.replaceAll('-', ' ');

export const outcomeSaid = (outcome: string): string =>
  outcome === 'told' ? 'seen' : (WORD[outcome] ?? outcome);

/** What a log can be narrowed to, by how it came out. */
export const OUTCOMES = ['posted', 'refused', 'unreached', 'unconfirmed', 'sending', 'queued', 'told'];
