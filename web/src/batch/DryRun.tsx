import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { answer, client, type Schemas } from '../api/client';
import { useCurrent } from '../app/current';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Failure } from '../ui/Failure';
import { Glyph } from '../ui/Glyph';
import { Key } from '../ui/Key';
import { amount, day, moneys, plural, sum, widthOfDay } from '../ui/format';
import { Sentence } from '../release/Sentence';
import { JournalSlip } from '../release/slips';

type Row = Schemas['DryDocument'];
type Choice = Schemas['ChoiceJson'];

const figure = (id: string, name: string, width: number, of: (row: Row) => string): Column<Row> => ({
  id,
  name,
  width,
  page: 'right',
  amount: true,
  value: of,
  rank: (row) => Number(of(row)),
  cell: (row) => amount(of(row)),
});

const COLUMNS: Column<Row>[] = [
  {
    id: 'number',
    name: 'Number',
    width: 92,
    handle: true,
    value: (row) => row.number,
    cell: (row) => row.number,
  },
  {
    id: 'party',
    name: 'Party',
    value: (row) => row.party,
    title: (row) => (row.newParty ? `${row.party}, created for it` : row.party),
    cell: (row) => (
      <>
        {row.party}
        {row.newParty && <span className="text-accent">, new</span>}
      </>
    ),
  },
  {
    id: 'goes',
    name: 'Goes',
    unnamed: true,
    page: 'gutter',
    width: 54,
    value: (row) => (row.stands ? 'Diverged' : 'Ready'),
    cell: (row) => <Glyph state={row.stands ? 'Diverged' : 'Ready'} />,
  },
  {
    id: 'day',
    name: 'Day',
    page: 'right',
    width: widthOfDay(),
    tone: () => 'soft',
    value: (row) => row.day,
    cell: (row) => day(row.day),
  },
  {
    id: 'there',
    name: 'Number there',
    page: 'right',
    width: 92,
    tone: (row) => (row.numberThere === '' ? 'soft' : undefined),
    value: (row) => row.numberThere,
    cell: (row) => (row.stands ? `${row.numberThere}, changed` : row.numberThere || 'given there'),
  },
  {
    id: 'accounts',
    name: 'Accounts',
    page: 'right',
    width: 128,
    value: (row) => row.accounts,
    title: (row) => row.accounts,
    cell: (row) => row.accounts,
  },
  {
    id: 'tax-codes',
    name: 'Tax code',
    page: 'right',
    width: 66,
    tone: () => 'soft',
    value: (row) => row.taxCodes,
    cell: (row) => row.taxCodes,
  },
  { ...figure('net', 'Net', 78, (row) => row.net), optional: 'shown' },
  { ...figure('tax', 'Tax', 70, (row) => row.tax), optional: 'shown' },
  figure('gross', 'Gross', 80, (row) => row.gross),
];

/** Every document of a batch as it would stand on the ledger, and the journal of each and of all; nothing is sent. */
export function DryRun({ choice, onClose }: { choice: Choice; onClose: () => void }) {
  const { route } = useCurrent();
  const [at, setAt] = useState<string>();
  const run = useQuery({
    queryKey: ['documents', 'dry-run', choice],
    queryFn: () => answer(client.POST('/api/batches/dry-run', { body: choice })),
  });
  const rows = run.data?.documents ?? [];
  const selected = rows.find((row) => String(row.id) === at);
  useHotkeys('d', onClose);
  return (
    <section aria-label="Dry run" className="sheet flex min-h-0 flex-col rounded-b-none border-b-0">
      <div className="border-base-300 flex items-baseline gap-3 border-b px-3 py-1.5">
        <h2 className="title text-[16px]">As it would stand on {route.ledger}</h2>
        <span className="soft text-[13px]">Nothing is sent.</span>
        <button type="button" className="act ml-auto" onClick={onClose}>
          Back to what is ready <Key>d</Key>
        </button>
      </div>
      {run.error && <Failure error={run.error} />}
      {run.isPending && <p className="soft p-4">Compiling all of it…</p>}
      {run.data && (
        <>
          <LeftOut left={run.data.left} count={run.data.leftOut} />
          <Book
            name="dry-run"
            label="Documents as they would stand there"
            columns={COLUMNS}
            pages={{ left: `In ${route.source}`, right: `On the books of ${route.ledger}` }}
            rows={rows}
            keyOf={(row) => String(row.id)}
            nameOf={(row) => row.number}
            dataOf={(row) => ({ document: row.id })}
            at={at}
            onAt={setAt}
            totals={totalsOf(rows, run.data.currency)}
            empty={<p className="soft p-4">None of it can go now.</p>}
          />
          <div className="border-base-300 grid max-h-[38%] shrink-0 grid-cols-2 gap-6 overflow-auto border-t px-4 py-2">
            {run.data.journal && (
              <JournalSlip
                title={`Journal of all ${plural(rows.length, 'document')}, ${run.data.currency}`}
                journal={run.data.journal}
              />
            )}
            {selected ? (
              <One key={selected.id} row={selected} choice={choice} />
            ) : (
              <p className="soft text-[13px]">Choose a document, and its own lines and journal stand here.</p>
            )}
          </div>
        </>
      )}
    </section>
  );
}

function totalsOf(rows: Row[], currency: string) {
  const all = (of: (row: Row) => string) => sum(rows.map(of));
  return {
    count: plural(rows.length, 'document'),
    sums: {},
    chosen: `Net ${amount(all((row) => row.net))}, tax ${amount(all((row) => row.tax))}, ${moneys([
      { currency, amount: all((row) => row.gross) },
    ])}`,
  };
}

const NAMED = 4;

/** What was asked for and would not go, each with why. */
function LeftOut({ left, count }: { left: Schemas['DryLeft'][]; count: number }) {
  const { route } = useCurrent();
  return (
    left.length > 0 && (
      <div className="border-base-300 border-b px-3 py-1.5 text-[13px]">
        {left.slice(0, NAMED).map((each) => (
          <p key={each.id} className="text-accent">
            <Link className="named" to={`/documents/${each.id}?route=${route.code}`}>
              {each.number}
            </Link>{' '}
            {each.party} stays, {each.state.toLowerCase()}
            {each.parts.length === 0 ? '.' : ': '}
            <Sentence parts={each.parts} />
          </p>
        ))}
        {count > NAMED && (
          <p className="soft">And {plural(count - NAMED, 'more document')} that cannot go now.</p>
        )}
      </div>
    )
  );
}

function One({ row, choice }: { row: Row; choice: Choice }) {
  const one = useQuery({
    queryKey: ['documents', 'dry-run', choice, row.id],
    queryFn: () =>
      answer(client.POST('/api/batches/dry-run/{id}', { params: { path: { id: row.id } }, body: choice })),
  });
  if (one.error) {
    return <Failure error={one.error} />;
  }
  return one.data ? (
    <div className="flex flex-col gap-2">
      <JournalSlip title={`Journal of ${row.number}`} journal={one.data.journal} />
      {one.data.lines.length > 0 && (
        <table className="slip" aria-label={`Lines of ${row.number} there`}>
          <tbody>
            {one.data.lines.map((line, index) => (
              <tr key={index}>
                <td>
                  {line.text} <span className="soft">{line.item}</span>
                </td>
                <td>{line.account}</td>
                <td className="soft">{line.taxCode}</td>
                <td className="amount">{amount(line.amount)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  ) : (
    <p className="soft text-[13px]">Compiling it…</p>
  );
}
