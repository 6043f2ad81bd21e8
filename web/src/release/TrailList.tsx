import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { trailQuery } from '../api/queries';
import { amount, moment, plural } from '../ui/format';
import { fieldsSaid } from './changes';

type Entry = Schemas['TrailEntry'];

const text = (value: unknown) =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : JSON.stringify(value);

const listed = (value: unknown) => (Array.isArray(value) ? value.map(text).join(', ') : text(value));

/** Of fields as a half of a baseline names them; nothing where none is told. */
const within = (words: string, fields: unknown) => {
  const said = fieldsSaid(Object(fields) as Record<string, string>);
  return said && ` (${words} ${said})`;
};

/** Operations people are not told the key. */
const under = (d: Record<string, unknown>) => (d.key ? ` under key ${text(d.key)}` : '');

const WORDS: Record<string, (detail: Record<string, unknown>) => string> = {
  'taken-in': (d) => `Taken in${d.file ? ` from ${text(d.file)}` : ''}`,
  'changed-on-source': () => 'Changed on its source and taken in again',
  compiled: (d) =>
    (d.blocking === 0
      ? `Compiled clean${d.landsIn ? `, lands in ${text(d.landsIn)}` : ''}`
      : `Compiled, blocked by ${plural(Number(d.blocking), 'finding')}`) +
    (d.change ? `; looked at anew: ${text(d.change)}` : ''),
  // As it was told until compiling and its reason became one entry.
  'mapping-changed': (d) => `Looked at anew: ${text(d.change)}`,
  approved: (d) => `Approved in ${text(d.source)}`,
  queued: (d) => `Put into batch ${text(d.batch)}`,
  sent: (d) => `Sent${under(d)}`,
  'sent-in-place': (d) => `Sent in place of what stands there${under(d)}${within('until then', d.replaced)}`,
  'taken-back': (d) => `Taken back there${under(d)}`,
  'not-put-together': (d) => `Not sent: ${text(d.why)}`,
  'ledger-stands': () => 'Settled: it stands as the ledger has it',
  answered: (d) => `The ${d.side === 'source' ? 'source' : 'ledger'} took it (status ${text(d.status)})`,
  asked: (d) =>
    d.answer && typeof d.answer === 'string' ? `Asked: ${d.answer}` : 'Asked: the ledger has it',
  refused: (d) => `The ${d.side === 'source' ? 'source' : 'ledger'} refused: ${text(d.sentence)}`,
  written: (d) => {
    const { file, first, last } = (d.request ?? {}) as Record<string, unknown>;
    return `Written into ${text(file)}, ${first === last ? `row ${text(first)}` : `rows ${text(first)} to ${text(last)}`}`;
  },
  accepted: (d) => `The ledger has it as ${text(d.number)}, as it says in ${text(d.file)}`,
  missing: (d) => `Not there: ${text(d.sentence)}`,
  undone: (d) => `Off the ledger again${under(d)}; ready once more`,
  withdrawn: (d) => text(d.sentence),
  'answer-lost': (d) => `Unconfirmed: ${text(d.reason)}`,
  'given-up': (d) => `Not sent: ${text(d.reason)}`,
  'party-created': (d) =>
    d.name ? `${text(d.name)} created on the ledger as ${text(d.ledger)}` : 'Its party created on the ledger',
  'item-created': (d) => `${d.item ? `Item ${text(d.item)}` : 'An item'} created on the ledger`,
  'party-hidden': (d) => `Party ${text(d.party)} put out of sight`,
  'party-shown': (d) => `Party ${text(d.party)} back in sight`,
  'field-brought-back': (d) =>
    `Field ${text(d.field)} brought back: ${text(d.value) || 'nothing'}${d.replaced ? `, in place of ${text(d.replaced)}` : ''}`,
  'field-not-brought-back': (d) =>
    `Field ${text(d.field)} not brought back (${text(d.value)}): ${text(d.reason)}`,
  'payment-brought-back': (d) => `Payment brought back: ${text(d.paid)} of ${text(d.gross)} paid`,
  mailed: (d) => `Mailed to ${listed(d.to)}: ${text(d.subject)}`,
  'mail-failed': (d) => `Not mailed to ${listed(d.to)}: ${text(d.reason)}`,
  'taken-over': (d) => `Paired with ${text(d.number)}, which ${text(d.ledger)} had already`,
  'same-payment': (d) => `Is the same as ${text(d.number)} of ${text(d.side)}, which goes on in its place`,
  unlinked: (d) => `Unlinked from ${text(d.number)} of ${text(d.ledger)}`,
  linked: (d) => `Stands for ${text(d.number)} of ${text(d.ledger)} from now on`,
  'linked-again': (d) => `Linked with ${text(d.number)} of ${text(d.ledger)} again`,
  'held-back': () => 'Held until somebody sends it: it was there before its kind went by itself',
  'left-alone': () => 'Left alone: neither sent nor asked about any more',
  'looked-after-again': () => 'Looked after again',
  gone: (d) => `Not there any more on the ${text(d.side)}`,
  'there-again': (d) => `There again on the ${text(d.side)}`,
  'gone-on-both': () => 'Ended: neither side has it, or has it standing',
  'gone-goes-again': (d) => `To go to the ${text(d.side)} again, which does not have it any more`,
  'gone-taken-back': (d) =>
    `To be taken back, since the ${text(d.side)} that made it does not have it any more`,
  'payments-apart': (d) => `Is another payment than ${text(d.number)} of ${text(d.side)}`,
  'taken-apart': (d) => `Taken apart from what ${text(d.ledger)} has`,
  settled: (d) => `${text(d.amount)} of it settled by ${text(d.by)}`,
  'opened-again': (d) => `${text(d.amount)} of it open again: ${text(d.by)} was taken back`,
  'tax-decided-otherwise': (d) =>
    `The ledger decided the tax: ${text(d.decided)} where ${text(d.stated)} is stated`,
  'edited-on-ledger': (d) =>
    `Edited on the ledger, gross now ${amount(text(d.gross))}${within('now', d.changed)}`,
  'agrees-again': () => 'Both sides agree again',
};

export function TrailList({ id }: { id: number }) {
  const trail = useQuery(trailQuery(id));
  return (
    <ol className="flex flex-col gap-1.5 text-[13px]">
      {trail.data?.map((entry) => (
        <li key={entry.id}>
          <span className="soft">
            {moment(entry.at)}, {entry.who}
          </span>
          {Object.keys(entry.detail).length === 0 ? (
            <p>{sentence(entry)}</p>
          ) : (
            <details>
              <summary className="cursor-pointer">{sentence(entry)}</summary>
              <pre
                className="bg-base-200 mt-1 max-h-60 overflow-auto p-2 text-[12px] whitespace-pre-wrap"
                tabIndex={0}
              >
                {JSON.stringify(entry.detail, null, 2)}
              </pre>
            </details>
          )}
        </li>
      ))}
    </ol>
  );
}

function sentence(entry: Entry): string {
  return WORDS[entry.action]?.(entry.detail) ?? entry.action.replaceAll('-', ' ');
}
