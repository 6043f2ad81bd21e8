import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Glyph } from '../ui/Glyph';
import { money } from '../ui/format';
import { STATE_OF, WORD } from './outcomes';

type Failure = Schemas['Failed'] & { of: Schemas['Waiting'] };

/** What the ledgers refused or never answered, each with what to do about it. */
export function Failures({ waiting }: { waiting: Schemas['Waiting'][] }) {
  const rows = waiting.flatMap((of) => of.failed.map((failed) => ({ ...failed, of })));
  return (
    rows.length > 0 && (
      <>
        <h2 className="title px-2 pt-4 pb-1 text-[16px]">To be put right</h2>
        <Book
          name="failures"
          label="To be put right"
          room="max-h-[35%] shrink-0"
          columns={COLUMNS}
          rows={rows}
          keyOf={(each) =>
            [each.of.route, each.outcome, each.code, each.sentence, each.currency, each.batch].join(' ')
          }
          dataOf={(each) => ({ failed: each.outcome })}
        />
      </>
    )
  );
}

const said = (failure: Failure) =>
  failure.sentence === '' ? (WORD[failure.outcome] ?? '') : `“${failure.sentence}”`;

const COLUMNS: Column<Failure>[] = [
  {
    id: 'state',
    name: 'State',
    unnamed: true,
    width: 44,
    value: (each) => each.outcome,
    cell: (each) => <Glyph state={STATE_OF[each.outcome] ?? 'Ready'} />,
  },
  {
    id: 'said',
    name: 'What was said, and what to do',
    wraps: true,
    value: said,
    cell: (each) => (
      <>
        <b className={each.outcome === 'refused' ? 'text-error' : ''}>{said(each)}</b> {each.advice}
      </>
    ),
  },
  {
    id: 'route',
    name: 'Route',
    width: 150,
    value: (each) => `${each.of.source} ${each.of.site}`,
    title: (each) => `${each.of.source} ${each.of.site} to ${each.of.ledger}`,
    cell: (each) => [each.of.source, each.of.site].filter((part) => part !== '').join(' at '),
  },
  {
    id: 'count',
    name: 'Documents',
    width: 84,
    amount: true,
    value: (each) => each.count,
    cell: (each) => each.count,
  },
  {
    id: 'gross',
    name: 'Gross',
    width: 110,
    amount: true,
    value: (each) => each.gross,
    rank: (each) => Number(each.gross),
    cell: (each) => money(each.gross, each.currency),
  },
  {
    id: 'batch',
    name: 'Batch',
    width: 80,
    tone: () => 'text-right',
    value: (each) => each.batch,
    cell: (each) => (
      <Link className="underline" to={`/send/${each.batch}?route=${each.of.route}`}>
        Batch {each.batch}
      </Link>
    ),
  },
];
