import { Link } from 'react-router';
import { STATE_OF } from '../send/outcomes';
import type { Column } from '../ui/book/columns';
import { day, moment, money } from '../ui/format';
import { Glyph } from '../ui/Glyph';
import { actionSaid, kindSaid, outcomeSaid, pageOf, wayWords, type LogEntry } from './words';

/** One crossing a row, with links to both sides. */
export function logColumns(route: { code: string; source: string; ledger: string }): Column<LogEntry>[] {
  const ways = wayWords(route);
  return [
    {
      id: 'at',
      name: 'When',
      width: 140,
      tone: () => 'soft',
      value: (each) => each.at,
      title: (each) => each.at,
      cell: (each) => moment(each.at),
    },
    {
      id: 'state',
      name: 'State',
      unnamed: true,
      width: 52,
      tone: () => '!text-clip',
      value: (each) => outcomeSaid(each.outcome),
      cell: (each) => (
        <Glyph state={each.outcome === 'told' ? 'Posted' : (STATE_OF[each.outcome] ?? 'Queued')} />
      ),
    },
    {
      id: 'way',
      name: 'Way',
      width: 92,
      value: (each) => ways[each.way],
      cell: (each) => (
        <span className={each.way === 'TO_LEDGER' ? 'text-primary' : 'text-secondary'}>{ways[each.way]}</span>
      ),
    },
    {
      id: 'number',
      name: 'Number',
      width: 92,
      value: (each) => each.number,
      cell: (each) => (
        <Link className="underline" to={pageOf(each, route.code)}>
          {each.number}
        </Link>
      ),
    },
    {
      id: 'kind',
      name: 'Kind',
      width: 112,
      value: (each) => kindSaid(each.kind),
      cell: (each) => kindSaid(each.kind),
    },
    {
      id: 'party',
      name: 'Party',
      width: 158,
      value: (each) => each.party,
      title: (each) => each.party,
      cell: (each) => each.party,
    },
    {
      id: 'date',
      name: 'Date',
      width: 66,
      tone: () => 'soft',
      optional: 'hidden',
      value: (each) => each.date ?? '',
      cell: (each) => (each.date ? day(each.date) : ''),
    },
    {
      id: 'gross',
      name: 'Gross',
      width: 104,
      amount: true,
      value: (each) => each.gross,
      rank: (each) => Number(each.gross),
      cell: (each) => (each.gross === '' ? '' : money(each.gross, each.currency)),
    },
    {
      id: 'action',
      name: 'What',
      width: 142,
      value: (each) => actionSaid(each.action),
      cell: (each) => actionSaid(each.action),
    },
    {
      id: 'outcome',
      name: 'Came out',
      width: 108,
      tone: (each) => (each.outcome === 'refused' ? 'text-error' : undefined),
      value: (each) => outcomeSaid(each.outcome),
      title: (each) => each.why || undefined,
      cell: (each) => outcomeSaid(each.outcome),
    },
    {
      id: 'there',
      name: `In ${route.ledger}`,
      width: 86,
      value: (each) => each.there,
      cell: (each) => each.there,
    },
    {
      id: 'who',
      name: 'By',
      width: 86,
      tone: () => 'soft',
      value: (each) => each.who,
      cell: (each) => each.who,
    },
    {
      id: 'batch',
      name: 'Batch',
      width: 52,
      amount: true,
      value: (each) => each.batch ?? '',
      cell: (each) =>
        each.batch === undefined ? (
          ''
        ) : (
          <Link className="underline" to={`/send/${each.batch}?route=${route.code}`}>
            {each.batch}
          </Link>
        ),
    },
    {
      id: 'why',
      name: 'What was said',
      optional: 'hidden',
      value: (each) => each.why,
      title: (each) => each.why,
      cell: (each) => each.why,
    },
  ];
}
