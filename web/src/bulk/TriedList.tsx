import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Failure } from '../ui/Failure';
import { plural } from '../ui/format';
import { saidBy } from '../map/meaning';
import { outcome, useCarryOut, type Tried } from './queries';

interface Row {
  line: number;
  code: string;
  before: string;
  after: string;
  what: string;
  wrong: boolean;
}

const LISTED = 2000;

const COLUMNS: Column<Row>[] = [
  { id: 'line', name: 'Row', width: 64, amount: true, value: (row) => row.line, cell: (row) => row.line },
  { id: 'code', name: 'Code', width: 180, handle: true, value: (row) => row.code, cell: (row) => row.code },
  {
    id: 'before',
    name: 'Now',
    tone: () => 'soft',
    title: (row) => row.before,
    value: (row) => row.before,
    cell: (row) => row.before,
  },
  {
    id: 'after',
    name: 'Then, or what is wrong',
    tone: (row) => (row.wrong ? 'text-accent' : undefined),
    title: (row) => row.after,
    value: (row) => row.after,
    cell: (row) => row.after,
  },
  { id: 'what', name: 'What', width: 120, value: (row) => row.what, cell: (row) => row.what },
];

/** What would change, row by row, and what is wrong with it; what is wrong comes first. */
export function TriedList({ tried, says, onDone }: { tried: Tried; says: string; onDone: () => void }) {
  const carryOut = useCarryOut(onDone);
  const { id } = tried;
  const rows: Row[] = [
    ...tried.problems.map((each) => ({
      line: each.line,
      code: each.code,
      before: '',
      after: each.sentence,
      what: 'not taken',
      wrong: true,
    })),
    ...tried.rows.map(({ line, code, before, after }) => ({
      line,
      code,
      before: saidBy(before) || 'no row',
      after: saidBy(after) || 'no row',
      what: before.length === 0 ? 'new' : after.length === 0 ? 'taken away' : 'changed',
      wrong: false,
    })),
  ];
  return (
    <div className="border-base-300 flex min-h-0 flex-1 flex-col border-t">
      <div className="flex flex-wrap items-center gap-3 px-4 py-1.5 text-[13px]">
        <b>{says}:</b>
        <span>{outcome(tried)}.</span>
        {tried.wrong > 0 && (
          <span className="text-accent">
            {plural(tried.wrong, 'row')} cannot be taken, and would be left out.
          </span>
        )}
        {tried.notTaken.length > 0 && (
          <span className="soft">Columns that say nothing here: {tried.notTaken.join(', ')}.</span>
        )}
        {Math.max(tried.rows.length, tried.problems.length) >= LISTED && (
          <span className="soft">The first 2,000 of each are listed.</span>
        )}
        <span className="ml-auto flex gap-2">
          {id !== undefined && (
            <button
              type="button"
              className="act act-main"
              disabled={carryOut.isPending}
              onClick={() => carryOut.mutate(id)}
            >
              {carryOut.isPending
                ? 'Compiling again…'
                : `Take over ${plural(tried.changed + tried.added + tried.takenAway, 'row')}`}
            </button>
          )}
          <button type="button" className="act" onClick={onDone}>
            Leave it
          </button>
        </span>
      </div>
      {carryOut.error && <Failure error={carryOut.error} />}
      <Book
        name="bulk-tried"
        label="What would change"
        columns={rows.some((row) => row.line > 0) ? COLUMNS : COLUMNS.slice(1)}
        rows={rows}
        keyOf={(row) => `${row.line} ${row.code} ${row.what}`}
        empty={<p className="soft p-4">That is what stands already.</p>}
      />
    </div>
  );
}
