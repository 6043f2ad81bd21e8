import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState, type RefObject } from 'react';
import type { Schemas } from '../api/client';
import { useCurrent } from '../app/current';
import { plural, together, totals, type Sum } from '../ui/format';
import { CauseRow } from './CauseRow';
import { OPTIONAL, useColumns, type Optional } from './columns';
import { DocumentLine } from './DocumentLine';
import type { Order, ReleaseView } from './useReleaseView';
import type { Item, Row } from './useRows';

interface Props {
  ref: RefObject<HTMLDivElement | null>;
  view: ReleaseView;
  items: Item[];
  states: Schemas['StateSum'][];
  selected: number | undefined;
  fixing: string | null;
  loading: boolean;
  onFix: (cause: string | null) => void;
  onOpen: (row: Row) => void;
  onMore: () => void;
}

const ROW = 34;

/** The open book: left page the source, right page the ledger, the gutter between them the state of the crossing. */
export function Spread(props: Props) {
  const { ref, view, items, selected, fixing, loading, onFix, onOpen, onMore } = props;
  const { me, route } = useCurrent();
  const { columns, toggle } = useColumns();
  const rows = useVirtualizer({
    count: items.length,
    getScrollElement: () => ref.current,
    estimateSize: () => ROW,
    getItemKey: (index) => items[index]?.key ?? index,
    overscan: 12,
  });
  const visible = rows.getVirtualItems();
  const first = visible[0];
  const last = visible.at(-1);
  const lastIndex = last?.index ?? 0;
  const asked = useRef(onMore);
  useEffect(() => {
    asked.current = onMore;
  });
  useEffect(() => {
    if (items.length > 0 && lastIndex > items.length - 20) {
      asked.current();
    }
  }, [lastIndex, items.length]);
  const width = (me.seesBooks ? 8 : 7) + columns.size;
  return (
    <div ref={ref} className="min-h-0 flex-1 overflow-auto" tabIndex={-1}>
      <table className="book" aria-label="Documents on both sides">
        <Columns columns={columns} />
        <thead>
          <tr>
            <th
              scope="colgroup"
              colSpan={5 + left(columns)}
              className="title text-primary !border-0 !pt-2 !text-[13px]"
            >
              In {route.source}
            </th>
            <th className="gutter !border-0" />
            <th
              scope="colgroup"
              colSpan={(me.seesBooks ? 3 : 2) + right(columns)}
              className="title text-secondary !border-0 !pt-2 !text-[13px]"
            >
              <span className="flex items-center justify-between">
                {route.ledger === '' ? 'On no books yet' : `On the books of ${route.ledger}`}
                <ColumnChoice columns={columns} toggle={toggle} />
              </span>
            </th>
          </tr>
          <tr className="soft">
            <th>
              <span className="sr-only">Chosen</span>
            </th>
            <Sortable view={view} order="NUMBER" name="Number" />
            <Sortable view={view} order="PARTY" name="Party" />
            <Sortable view={view} order="DATE" name="Date" />
            {columns.has('Due') && <th>Due</th>}
            {columns.has('Net') && <th className="amount">Net</th>}
            {columns.has('Tax') && <th className="amount">Tax</th>}
            <Sortable view={view} order="GROSS" name="Gross" right />
            <th className="gutter">
              <span className="sr-only">State</span>
            </th>
            {columns.has('Number there') && <th>Number there</th>}
            {me.seesBooks ? (
              <>
                <th>Lands in</th>
                <th>Tax code</th>
              </>
            ) : (
              <th>What became of it</th>
            )}
            {columns.has('Payment') && <th>Payment</th>}
            <th className="amount">Gross</th>
          </tr>
        </thead>
        <tbody>
          {first && first.start > 0 && <Gap height={first.start} width={width + 1} />}
          {visible.map((at) => {
            const item = items[at.index];
            if (!item) {
              return null;
            }
            switch (item.type) {
              case 'cause':
                return (
                  <CauseRow
                    key={item.key}
                    cause={item.cause}
                    what={wordOf(view)}
                    width={width + 1}
                    fixing={fixing === item.cause.cause}
                    onFix={onFix}
                  />
                );
              case 'row':
                return (
                  <DocumentLine
                    key={item.key}
                    row={item.row}
                    columns={columns}
                    selected={item.row.id === selected}
                    chosen={view.chosen.has(item.row.id)}
                    onSelect={() => view.select(item.row.id)}
                    onToggle={() => view.toggle(item.row.id)}
                    onOpen={() => onOpen(item.row)}
                  />
                );
              case 'more':
                return (
                  <tr key={item.key}>
                    <td colSpan={width + 1}>
                      <button type="button" className="cursor-pointer underline" onClick={item.more}>
                        Show more of this cause
                      </button>
                    </td>
                  </tr>
                );
            }
          })}
          {last && <Gap height={rows.getTotalSize() - last.end} width={width + 1} />}
        </tbody>
        <Foot {...props} columns={columns} />
      </table>
      {items.length === 0 && <Empty view={view} loading={loading} />}
    </div>
  );
}

const left = (columns: Set<Optional>) =>
  ['Due', 'Net', 'Tax'].filter((name) => columns.has(name as Optional)).length;
const right = (columns: Set<Optional>) =>
  ['Number there', 'Payment'].filter((name) => columns.has(name as Optional)).length;

function Columns({ columns }: { columns: Set<Optional> }) {
  const { me } = useCurrent();
  return (
    <colgroup>
      <col style={{ width: 30 }} />
      <col style={{ width: 86 }} />
      <col />
      <col style={{ width: 62 }} />
      {columns.has('Due') && <col style={{ width: 62 }} />}
      {columns.has('Net') && <col style={{ width: 78 }} />}
      {columns.has('Tax') && <col style={{ width: 70 }} />}
      <col style={{ width: 82 }} />
      <col style={{ width: 54 }} />
      {columns.has('Number there') && <col style={{ width: 86 }} />}
      {me.seesBooks ? (
        <>
          <col style={{ width: 136 }} />
          <col style={{ width: 72 }} />
        </>
      ) : (
        <col style={{ width: '36%' }} />
      )}
      {columns.has('Payment') && <col style={{ width: 74 }} />}
      <col style={{ width: 82 }} />
    </colgroup>
  );
}

/** What its rows are, in one word. */
const wordOf = (view: ReleaseView) => (view.family === 'SETTLEMENT' ? 'payment' : 'document');

function Sortable(props: { view: ReleaseView; order: Order; name: string; right?: boolean }) {
  const { view, order, name, right: atRight } = props;
  const on = view.order === order;
  const flip = () => view.set({ order, direction: on && view.descending ? 'up' : null }, true);
  return (
    <th
      className={atRight ? 'amount' : ''}
      aria-sort={on ? (view.descending ? 'descending' : 'ascending') : undefined}
    >
      <button type="button" className="cursor-pointer font-semibold" onClick={flip}>
        {name}
        {on && <span aria-hidden="true">{view.descending ? ' ▾' : ' ▴'}</span>}
      </button>
    </th>
  );
}

function ColumnChoice({ columns, toggle }: { columns: Set<Optional>; toggle: (name: Optional) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <span className="relative font-sans text-[12px] font-normal">
      <button
        type="button"
        className="soft cursor-pointer underline"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        Columns
      </button>
      {open && (
        <span className="sheet text-base-content absolute right-0 z-10 flex w-36 flex-col gap-1 p-2 shadow">
          {OPTIONAL.map((name) => (
            <label key={name} className="flex gap-2">
              <input type="checkbox" checked={columns.has(name)} onChange={() => toggle(name)} />
              {name}
            </label>
          ))}
        </span>
      )}
    </span>
  );
}

const Gap = ({ height, width }: { height: number; width: number }) => (
  <tr aria-hidden="true">
    <td colSpan={width} style={{ height, padding: 0, border: 0 }} />
  </tr>
);

const signed = (row: Row): Sum => ({
  currency: row.currency,
  amount: row.kind.includes('credit') ? `-${row.gross}` : row.gross,
});

function Foot({ view, items, states, columns }: Props & { columns: Set<Optional> }) {
  const { me, route } = useCurrent();
  const shown = states.filter((each) => view.state === 'All' || each.state === view.state);
  const count = shown.reduce((total, each) => total + each.count, 0);
  const chosen = items.flatMap((item) =>
    item.type === 'row' && view.chosen.has(item.row.id) ? [item.row] : [],
  );
  if (count === 0) {
    return null;
  }
  return (
    <tfoot>
      <tr>
        <td colSpan={4 + left(columns)}>{plural(count, wordOf(view))}</td>
        <td className="amount">{totals(together(shown.flatMap((each) => each.gross)), route.currency)}</td>
        <td className="gutter" />
        <td colSpan={(me.seesBooks ? 3 : 2) + right(columns)} className="amount">
          {chosen.length > 0 &&
            `${plural(chosen.length, wordOf(view))} chosen, ${totals(together(chosen.map(signed)), route.currency)}`}
        </td>
      </tr>
    </tfoot>
  );
}

function Empty({ view, loading }: { view: ReleaseView; loading: boolean }) {
  const { route } = useCurrent();
  if (loading) {
    return <p className="soft p-6">Turning the page…</p>;
  }
  const narrowed = view.from !== undefined || view.to !== undefined || view.text !== undefined;
  const says: Record<string, string> = {
    Blocked: 'Nothing is blocked. Batch what is ready, or fetch both sides for news.',
    Ready: 'Nothing is ready. Put a cause right under Blocked, or approve what is waiting.',
    Waiting: `Nothing waits for approval in ${route.source}.`,
    Posted: 'Nothing has crossed yet. Make a batch of what is ready and send it.',
  };
  return (
    <p className="p-6">
      {narrowed
        ? 'No document of this state is dated in that span.'
        : (says[view.state] ?? 'No document is in this state.')}
      {narrowed && (
        <button
          type="button"
          className="ml-2 cursor-pointer underline"
          onClick={() => view.set({ from: null, to: null, text: null })}
        >
          Show all days
        </button>
      )}
    </p>
  );
}
