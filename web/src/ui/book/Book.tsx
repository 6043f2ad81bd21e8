import { useVirtualizer, type Virtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, type ReactNode } from 'react';
import { Foot, type Totals } from './Foot';
import { Head } from './Head';
import { itemsOf, type Group, type Item } from './items';
import { Rows } from './Rows';
import { SaveAsFile } from './SaveAsFile';
import { useBook, type Options } from './useBook';
import { usePrinting } from './usePrinting';
import { useRange } from './useRange';
import { useRowKeys } from './useRowKeys';
import { useWholeRows } from './useWholeRows';
import type { Look } from './useWindow';

interface Props<Row extends object> extends Options<Row> {
  label: string;
  pages?: { left: ReactNode; right: ReactNode };
  /** Rows in groups, in the place of `rows` one after the other; they are not sorted here. */
  groups?: Group<Row>[];
  /** How many rows there are, those included that are not read yet. */
  count?: number;
  /** Of a list that is read in its middle: the place of the first of `rows` among all. */
  begins?: number;
  /** Which places are looked at, from the first to the last. */
  onLook?: Look;
  /** The row that one is at, as shown and as it is at this moment. */
  at?: string;
  atNow?: () => string | undefined;
  onAt?: (key: string) => void;
  onOpen?: (row: Row) => void;
  chosen?: Set<string>;
  chosenNow?: () => Set<string>;
  onChoose?: (chosen: Set<string>) => void;
  nameOf?: (row: Row) => string;
  dataOf?: (row: Row) => Record<string, string | number | boolean>;
  /** What somebody else did to it a moment ago. */
  touchedOf?: (row: Row) => string | undefined;
  /** More is wanted than there is so far. */
  onEnd?: () => void;
  totals?: Totals;
  /** How much room it takes, as classes, where it does not take all that is left. */
  room?: string;
  /** A press on what one gets hold of a row by. */
  onPress?: (row: Row) => void;
  /** What is said where there is no row. */
  empty?: ReactNode;
}

const ROW = 32;
const NEAR_THE_END = 20;
/** So many more rows are drawn at each end than are seen. */
const BEYOND = 8;
const NONE = new Set<string>();
const nothing = () => undefined;

/** The open book: what every list of the product is. Left page the one side, right page the other. */
export function Book<Row extends object>(props: Props<Row>) {
  const { label, pages, groups, count, at, onAt, onOpen, chosen, totals, empty, keyOf } = props;
  const book = useBook(props);
  const sorted = book.table.getRowModel().rows;
  const items = useMemo(
    () => itemsOf(groups ? [] : sorted.map((row) => row.original), groups, keyOf),
    [groups, sorted, keyOf],
  );
  const begins = groups ? 0 : (props.begins ?? 0);
  const length =
    props.begins === undefined || groups ? items.length : Math.max(count ?? 0, begins + items.length);
  const itemAt = (place: number) => items[place - begins];
  const scroller = useRef<HTMLDivElement>(null);
  const { width, covered, rest } = useWholeRows(scroller, ROW);
  const rows = useVirtualizer({
    count: length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    getItemKey: (index) => itemAt(index)?.key ?? index,
    overscan: BEYOND,
    // What the heads and the foot cover is not in sight.
    scrollPaddingEnd: covered,
  });
  const printing = usePrinting();
  const visible = printing ? items.map((_, index) => ({ index: index + begins })) : rows.getVirtualItems();
  useEnd(visible.at(-1)?.index ?? 0, items.length, props.onEnd);
  useLook(visible[0]?.index ?? 0, visible.at(-1)?.index ?? 0, props.onLook);
  const look = () => {
    const { scrollTop = 0, clientHeight = 0 } = scroller.current ?? {};
    props.onLook?.(
      Math.max(0, placeAt(rows, scrollTop) - BEYOND),
      placeAt(rows, scrollTop + clientHeight) + BEYOND,
    );
  };
  const edge = useEdge(itemAt, onAt);
  const keys = useMemo(() => items.flatMap((item) => (item.type === 'row' ? [item.key] : [])), [items]);
  const range = useRange({
    keys,
    chosenNow: props.chosenNow ?? (() => chosen ?? NONE),
    onChoose: props.onChoose ?? nothing,
  });
  const placeOf = (key: string) =>
    begins + items.findIndex((item) => item.type === 'row' && item.key === key);
  const go = (key: string) => {
    onAt?.(key);
    rows.scrollToIndex(placeOf(key), { align: 'auto' });
  };
  useRowKeys({
    enabled: onAt !== undefined,
    keys,
    at: props.atNow ?? (() => at),
    screenful: () => Math.max(1, Math.floor((scroller.current?.clientHeight ?? 0) / ROW) - 3),
    onAt: go,
    onEdge:
      props.begins === undefined
        ? undefined
        : (last) => {
            const place = last ? length - 1 : 0;
            rows.scrollToIndex(place);
            edge(place);
          },
    onOpen: onOpen && ((key) => withRow(props.rows, keyOf, key, onOpen)),
    onToggle: chosen && range.toggle,
    onAdd: chosen && range.add,
  });
  return (
    <div
      ref={scroller}
      className={`${props.room ?? 'min-h-0 flex-1'} overflow-auto`}
      tabIndex={-1}
      // Before what is there now is drawn, so that what is missing is on its way while it is.
      onScroll={look}
    >
      <table
        className="book"
        style={{ minWidth: book.leastWidth }}
        aria-label={label}
        aria-rowcount={(groups ? items.length : (count ?? items.length)) + 1}
      >
        <colgroup>
          {chosen && <col style={{ width: 30 }} />}
          {book.table.getVisibleLeafColumns().map((column) => (
            <col
              key={column.id}
              style={{
                width: column.getCanResize()
                  ? column.getSize() * book.grown(width)
                  : column.columnDef.meta?.width,
              }}
            />
          ))}
        </colgroup>
        <Head
          book={book}
          pages={pages}
          choosing={chosen !== undefined}
          saving={
            items.length > 0 && (
              <SaveAsFile
                book={book}
                label={label}
                all={
                  props.readAll ??
                  (() => Promise.resolve(groups ? props.rows : sorted.map((row) => row.original)))
                }
              />
            )
          }
        />
        <Rows
          book={book}
          itemAt={itemAt}
          visible={visible}
          measure={rows.measureElement}
          {...(printing ? { before: 0, after: 0 } : roundOf(rows))}
          at={at}
          chosen={chosen}
          nameOf={props.nameOf ?? keyOf}
          dataOf={props.dataOf}
          touchedOf={props.touchedOf}
          onAt={onAt}
          onOpen={onOpen}
          onPress={props.onPress}
          onToggle={range.toggle}
          onReach={range.reach}
        />
        {totals && <Foot book={book} totals={totals} choosing={chosen !== undefined} rest={rest} />}
      </table>
      {length === 0 && empty}
    </div>
  );
}

const placeAt = (rows: Virtualizer<HTMLDivElement, Element>, offset: number) =>
  rows.getVirtualItemForOffset(offset)?.index ?? 0;

/** The room of what is not on the screen. */
function roundOf(rows: Virtualizer<HTMLDivElement, Element>) {
  const visible = rows.getVirtualItems();
  return { before: visible[0]?.start ?? 0, after: rows.getTotalSize() - (visible.at(-1)?.end ?? 0) };
}

function withRow<Row>(rows: Row[], keyOf: (row: Row) => string, key: string, act: (row: Row) => void) {
  const row = rows.find((each) => keyOf(each) === key);
  if (row) {
    act(row);
  }
}

/** Asks for more a good while before the end comes into sight. */
function useEnd(last: number, length: number, onEnd: (() => void) | undefined) {
  const asked = useRef(onEnd);
  useEffect(() => {
    asked.current = onEnd;
  });
  useEffect(() => {
    if (length > 0 && last > length - NEAR_THE_END) {
      asked.current?.();
    }
  }, [last, length]);
}

/** Tells which places are looked at, also once more rows have come: they may be those of a place that was left. */
function useLook(first: number, last: number, onLook: Look | undefined) {
  useEffect(() => onLook?.(first, last));
}

/** Goes to the row at a place as soon as it has been read. */
function useEdge<Row>(
  itemAt: (place: number) => Item<Row> | undefined,
  onAt: ((key: string) => void) | undefined,
) {
  const wanted = useRef<number>(undefined);
  const go = () => {
    const item = wanted.current === undefined ? undefined : itemAt(wanted.current);
    if (item?.type === 'row') {
      wanted.current = undefined;
      onAt?.(item.key);
    }
  };
  useEffect(go);
  return (place: number) => {
    wanted.current = place;
    go();
  };
}
