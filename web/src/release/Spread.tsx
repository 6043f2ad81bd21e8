import { useMemo } from 'react';
import type { Schemas } from '../api/client';
import { isGivenBack, isSettlement } from '../api/recordKinds';
import { useCurrent } from '../app/current';
import { Figure } from '../help/Figure';
import { useTouched } from '../news/touched';
import { Book } from '../ui/book/Book';
import type { Group } from '../ui/book/items';
import { plural, together, totals, type Sum } from '../ui/format';
import { CauseHead } from './CauseHead';
import { documentColumns } from './documentColumns';
import { WHATS, type ReleaseView } from './useReleaseView';
import type { CauseRows, Row } from './useRows';
import type { Look } from '../ui/book/useWindow';

interface Props {
  view: ReleaseView;
  rows: Row[];
  causes: CauseRows[] | undefined;
  states: Schemas['StateSum'][];
  selected: number | undefined;
  selectedNow: () => number | undefined;
  fixing: string | null;
  loading: boolean;
  onFix: (cause: string | null) => void;
  onOpen: (row: Row) => void;
  begins: number | undefined;
  onLook: Look | undefined;
  readAll: (() => Promise<Row[]>) | undefined;
}

const keyOf = (row: Row) => String(row.id);

/** The open book: left page the source, right page the ledger, the gutter between them the state of the crossing. */
export function Spread(props: Props) {
  const { view, rows, causes, states, selected, selectedNow, loading, onOpen } = props;
  const { me, route } = useCurrent();
  const columns = useMemo(
    () => documentColumns({ source: route.source, currency: route.currency, seesBooks: me.seesBooks }),
    [route.source, route.currency, me.seesBooks],
  );
  const touched = useTouched('RECORDS');
  const shown = states.filter((each) => view.state === 'All' || each.state === view.state);
  const count = shown.reduce((total, each) => total + each.count, 0);
  const chosen = useMemo(() => new Set([...view.chosen].map(String)), [view.chosen]);
  const mixed = view.what === '' && rows.some((row) => isSettlement(row.kind));
  return (
    <Book
      name="release"
      label="Documents on both sides"
      columns={columns}
      pages={{
        left: `In ${route.source}`,
        right: route.ledger === '' ? 'On no books yet' : `On the books of ${route.ledger}`,
      }}
      rows={rows}
      groups={causes?.map((each) => groupOf(each, props))}
      count={count}
      keyOf={keyOf}
      nameOf={(row) => row.number}
      dataOf={(row) => ({ document: row.id, state: row.state })}
      touchedOf={(row) => touched(row.id)}
      order={{ by: view.order, descending: view.descending }}
      onOrder={(order) =>
        view.set({ order: order.by, direction: order.descending ? null : 'up' }, { replace: true })
      }
      at={selected === undefined ? undefined : String(selected)}
      atNow={() => String(selectedNow() ?? '')}
      onAt={(key) => view.select(Number(key))}
      onOpen={onOpen}
      chosen={chosen}
      chosenNow={() => new Set([...view.chosenNow()].map(String))}
      onChoose={(keys) => view.setChosen(new Set([...keys].map(Number)))}
      begins={props.begins}
      onLook={props.onLook}
      readAll={props.readAll}
      totals={
        count === 0
          ? undefined
          : {
              count: plural(count, mixed ? 'record' : wordOf(view)),
              // Payments are never added to the documents that they settle.
              sums: mixed
                ? {}
                : {
                    gross: (
                      <Figure rule="gross" name="Gross">
                        {totals(together(shown.flatMap((each) => each.gross)), route.currency)}
                      </Figure>
                    ),
                  },
              chosen: chosenOf(view, rows, route.currency),
            }
      }
      empty={<Empty view={view} loading={loading} />}
    />
  );
}

function groupOf({ cause, rows, more }: CauseRows, { view, fixing, onFix }: Props): Group<Row> {
  const refused = cause.cause.startsWith('refused:');
  return {
    key: cause.cause,
    tone: refused ? 'cause cause-refused' : 'cause',
    data: { cause: cause.cause },
    head: <CauseHead cause={cause} what={wordOf(view)} fixing={fixing === cause.cause} onFix={onFix} />,
    rows,
    foot: more && (
      <button type="button" className="cursor-pointer underline" onClick={more}>
        Show more of this cause
      </button>
    ),
  };
}

/** What its rows are, in one word. */
const ALL_WORDS = ['document', 'payment', 'banking'];
const oneOf = (row: Row) =>
  row.kind === 'banking' ? 'banking' : isSettlement(row.kind) ? 'payment' : 'document';
const wordOf = (view: ReleaseView) => WHATS[view.what]?.one ?? 'document';

const signed = (row: Row): Sum => ({
  currency: row.currency,
  amount: isGivenBack(row.kind) ? `-${row.gross}` : row.gross,
});

function chosenOf(view: ReleaseView, rows: Row[], currency: string) {
  const chosen = rows.filter((row) => view.chosen.has(row.id));
  if (chosen.length < view.chosen.size) {
    // Some are too far away to be among those that are read.
    return `${plural(view.chosen.size, 'row')} chosen`;
  }
  const said = ALL_WORDS.map((word) =>
    sumOf(
      word,
      chosen.filter((row) => oneOf(row) === word),
      currency,
    ),
  );
  return chosen.length === 0 ? undefined : said.filter((part) => part !== '').join('; ');
}

const sumOf = (word: string, rows: Row[], currency: string) =>
  rows.length === 0
    ? ''
    : `${plural(rows.length, word)} chosen, ${totals(together(rows.map(signed)), currency)}`;

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
