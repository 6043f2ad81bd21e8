import { dataset, type Item } from './items';
import type { Page } from './columns';
import type { BookTable } from './useBook';

interface Props<Row extends object> {
  book: BookTable<Row>;
  /** Nothing where it is not read yet. */
  itemAt: (place: number) => Item<Row> | undefined;
  /** Their places among all. */
  visible: { index: number }[];
  measure: (row: HTMLTableRowElement | null) => void;
  before: number;
  after: number;
  at: string | undefined;
  chosen: Set<string> | undefined;
  nameOf: (row: Row) => string;
  dataOf: ((row: Row) => Record<string, string | number | boolean>) | undefined;
  touchedOf: ((row: Row) => string | undefined) | undefined;
  onAt: ((key: string) => void) | undefined;
  onOpen: ((row: Row) => void) | undefined;
  onPress: ((row: Row) => void) | undefined;
  onToggle: (key: string) => void;
  onReach: (key: string) => void;
}

/** Those rows that are on the screen, with room for all others before and after them. */
export function Rows<Row extends object>(props: Props<Row>) {
  const { book, itemAt, visible, measure, before, after, chosen } = props;
  const width = book.table.getVisibleLeafColumns().length + (chosen ? 1 : 0);
  return (
    <tbody>
      {before > 0 && <Gap height={before} width={width} />}
      {visible.map((place) => {
        const item = itemAt(place.index);
        if (!item) {
          return <Unread key={place.index} width={width} />;
        }
        return item.type === 'row' ? (
          <Line key={item.key} {...props} item={item} index={place.index} />
        ) : (
          <tr
            key={item.key}
            {...(item.type === 'head' ? dataset(item.data) : {})}
            ref={measure}
            data-index={place.index}
            aria-rowindex={place.index + 2}
            className={item.type === 'head' ? item.tone : ''}
          >
            <td colSpan={width} className="!whitespace-normal">
              {item.content}
            </td>
          </tr>
        );
      })}
      {after > 0 && <Gap height={after} width={width} />}
    </tbody>
  );
}

/** A row that is on its way from the server. */
const Unread = ({ width }: { width: number }) => (
  <tr aria-hidden="true" data-unread>
    <td colSpan={width}>
      <span className="bg-base-300/60 block h-2 w-2/5 rounded-full" />
    </td>
  </tr>
);

const Gap = ({ height, width }: { height: number; width: number }) => (
  <tr aria-hidden="true">
    <td colSpan={width} style={{ height, padding: 0, border: 0 }} />
  </tr>
);

type LineProps<Row extends object> = Props<Row> & {
  item: Extract<Item<Row>, { type: 'row' }>;
  index: number;
};

function Line<Row extends object>(props: LineProps<Row>) {
  const { book, item, index, measure, at, chosen, nameOf, dataOf, onAt, onOpen, onPress, onToggle, onReach } =
    props;
  const row = book.table.getRow(item.key);
  const touched = props.touchedOf?.(item.row);
  return (
    <tr
      {...dataset(dataOf?.(item.row) ?? {})}
      ref={measure}
      data-index={index}
      aria-rowindex={index + 2}
      aria-selected={chosen?.has(item.key)}
      className={`${onAt ? 'cursor-pointer' : ''} ${item.key === at ? 'row-chosen' : ''} ${touched ? 'row-touched' : ''}`}
      onClick={(event) => leadsAway(event.target) || onAt?.(item.key)}
      onDoubleClick={() => onOpen?.(item.row)}
    >
      {chosen && (
        <td className="!pr-0">
          <input
            type="checkbox"
            aria-label={`Choose ${nameOf(item.row)}`}
            checked={chosen.has(item.key)}
            // A box changes by a click, which knows whether Shift was held.
            onChange={({ nativeEvent }) =>
              nativeEvent instanceof MouseEvent && nativeEvent.shiftKey
                ? onReach(item.key)
                : onToggle(item.key)
            }
          />
        </td>
      )}
      {row.getVisibleCells().map((cell) => {
        const meta = cell.column.columnDef.meta;
        const of = item.row as never;
        const content = meta?.cell(of);
        return (
          <td
            key={cell.id}
            title={meta?.title?.(of)}
            className={[
              placed(meta),
              meta?.wraps ? '!py-1 !whitespace-normal' : '',
              meta?.overflows?.(of) ? '!overflow-visible !whitespace-normal' : '',
              meta?.tone?.(of) ?? '',
            ].join(' ')}
          >
            {meta?.handle && onAt ? (
              <button
                type="button"
                className="cursor-pointer"
                aria-current={item.key === at}
                onFocus={() => onAt(item.key)}
                onClick={() => {
                  onAt(item.key);
                  onPress?.(item.row);
                }}
                onKeyDown={(event) => event.key === 'Enter' && onOpen?.(item.row)}
              >
                {content}
              </button>
            ) : (
              content
            )}
            {touched && meta?.handle && (
              <i className="touched" role="img" aria-label={touched} title={touched} />
            )}
          </td>
        );
      })}
    </tr>
  );
}

/** A link in a row goes where it says; that one is at its row by then would call it back. */
const leadsAway = (pressed: EventTarget) => pressed instanceof Element && pressed.closest('a') !== null;

const placed = (meta: { page: Page; amount: boolean } | undefined) =>
  meta?.page === 'gutter' ? 'gutter' : meta?.amount ? 'amount' : '';
