import type { Schemas } from '../api/client';
import { inWords, TOPICS, type Evidence } from '../parties/likeness';
import type { Column } from '../ui/book/columns';
import type { Side, TwinPair } from './queries';
import { linkable } from './useLinkTwin';

interface Deeds {
  may: boolean;
  onApart: (pair: TwinPair) => void;
  onLink: (pair: TwinPair) => void;
}

/** `Tax identifier the same, name some of the words`. */
export const spoken = (evidence: Evidence[], speaks: (bits: number) => boolean): string =>
  evidence
    .filter((each) => each.agreement !== 'SILENT' && speaks(each.bits))
    .sort((some, other) => Math.abs(other.bits) - Math.abs(some.bits))
    .map((each) => {
      const topic = TOPICS.find(({ topic }) => topic === each.topic)?.name ?? '';
      return `${topic.toLowerCase()} ${inWords(each).says}`;
    })
    .join(', ');

export function columnsOf(
  { source, ledger }: Pick<Schemas['RouteJson'], 'source' | 'ledger'>,
  side: Side,
  { may, onApart, onLink }: Deeds,
): Column<TwinPair>[] {
  const beyond = side === 'SOURCE' ? `On ${ledger}` : `In ${source}`;
  const is = (codes: string[]) => codes.join(', ') || 'not linked';
  return [
    {
      id: 'one',
      name: 'This one',
      width: '19%',
      handle: true,
      title: (pair) => pair.one.name,
      value: (pair) => `${pair.one.code} ${pair.one.name}`,
      cell: (pair) => `${pair.one.code} ${pair.one.name}`,
    },
    {
      id: 'other',
      name: 'And this one',
      width: '19%',
      title: (pair) => pair.other.party.name,
      value: (pair) => `${pair.other.party.code} ${pair.other.party.name}`,
      cell: (pair) => `${pair.other.party.code} ${pair.other.party.name}`,
    },
    {
      id: 'for',
      name: 'Speaks for one',
      title: (pair) => spoken(pair.other.evidence, (bits) => bits > 0),
      value: (pair) => spoken(pair.other.evidence, (bits) => bits > 0),
      cell: (pair) => spoken(pair.other.evidence, (bits) => bits > 0),
    },
    {
      id: 'against',
      name: 'Against it',
      width: 150,
      tone: () => 'text-accent',
      title: (pair) => spoken(pair.other.evidence, (bits) => bits < 0),
      value: (pair) => spoken(pair.other.evidence, (bits) => bits < 0),
      cell: (pair) => spoken(pair.other.evidence, (bits) => bits < 0),
    },
    {
      id: 'there',
      name: beyond,
      page: 'right',
      width: 165,
      tone: () => 'soft',
      value: (pair) => `${is(pair.oneIs)}; ${is(pair.otherIs)}`,
      title: (pair) => `${is(pair.oneIs)}; ${is(pair.otherIs)}`,
      cell: (pair) => `${is(pair.oneIs)}; ${is(pair.otherIs)}`,
    },
    {
      id: 'what',
      name: 'What of it',
      page: 'right',
      width: 210,
      cell: (pair) =>
        may && (
          <span className="flex gap-2">
            {side === 'SOURCE' && !pair.apart && linkable(pair) && (
              <button type="button" className="cursor-pointer underline" onClick={() => onLink(pair)}>
                Link both to {linkable(pair)?.counterpart}
              </button>
            )}
            <button type="button" className="cursor-pointer underline" onClick={() => onApart(pair)}>
              {pair.apart ? 'Ask again' : 'They are two'}
            </button>
          </span>
        ),
    },
  ];
}
