import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';
import type { Schemas } from '../api/client';
import { useCurrent } from '../app/current';
import { Key } from '../ui/Key';
import { amount, day, plural } from '../ui/format';
import { History } from './History';
import type { MapRow } from './MapPage';
import { furtherSaid, mainOf, NOTHING } from './meaning';
import { CREATE, labelOf, optionsFor } from './options';
import { RowEditor } from './RowEditor';
import { useChangeRow, type RowKind } from './useChangeRow';

interface Props {
  kind: RowKind;
  heads: { left: string; right: string };
  rows: MapRow[];
  choices: Schemas['Choices'];
  selected: string | undefined;
  editing: string | null;
  onSelect: (code: string) => void;
  onEdit: (code: string | null) => void;
  onAccept: (row: MapRow) => void;
}

const ROW = 34;

/** Kinds whose codes are ours, and no more than their names in other letters. */
const NAMED = new Set<RowKind>(['ROLE', 'LINE_KIND']);

export function MapTable(props: Props) {
  const { rows, heads, selected, kind } = props;
  const { route } = useCurrent();
  const named = NAMED.has(kind);
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 15,
    getItemKey: (index) => rows[index]?.code ?? index,
  });
  const at = rows.findIndex((row) => row.code === selected);
  useEffect(() => {
    if (at > 0) {
      virtual.scrollToIndex(at, { align: 'auto' });
    }
  }, [at, virtual]);
  const visible = virtual.getVirtualItems();
  const before = visible[0]?.start ?? 0;
  const after = virtual.getTotalSize() - (visible.at(-1)?.end ?? 0);
  return (
    <div ref={scroller} className="min-h-0 flex-1 overflow-auto">
      <table className="book" aria-label="Crosswalk">
        <colgroup>
          <col style={{ width: 110 }} />
          <col />
          <col style={{ width: named ? 230 : 130 }} />
          <col style={{ width: 150 }} />
          <col style={{ width: 54 }} />
          <col style={{ width: '44%' }} />
        </colgroup>
        <thead>
          <tr>
            <th colSpan={4} className="title text-primary !border-0 !pt-2 !text-[13px]">
              {named ? 'Of this route' : `In ${route.source}`}
            </th>
            <th className="gutter !border-0" />
            <th className="title text-secondary !border-0 !pt-2 !text-[13px]">
              {route.ledger === '' ? 'On no books yet' : `On the books of ${route.ledger}`}
            </th>
          </tr>
          <tr className="soft">
            <th>{heads.left}</th>
            <th>{!named && 'Name'}</th>
            <th />
            <th className="amount">Holds up, {route.currency}</th>
            <th className="gutter" />
            <th>{heads.right}</th>
          </tr>
        </thead>
        <tbody>
          {before > 0 && <Gap height={before} />}
          {visible.map((item) => {
            const row = rows[item.index];
            return row && <Line key={row.code} {...props} row={row} />;
          })}
          {after > 0 && <Gap height={after} />}
        </tbody>
      </table>
    </div>
  );
}

const Gap = ({ height }: { height: number }) => (
  <tr aria-hidden="true">
    <td colSpan={6} style={{ height, padding: 0, border: 0 }} />
  </tr>
);

function Line(props: Props & { row: MapRow }) {
  const { row, selected, editing, kind, onSelect, onEdit } = props;
  const named = NAMED.has(kind);
  const { me } = useCurrent();
  return (
    <tr
      data-code={row.code}
      data-open={row.open}
      className={row.code === selected ? 'row-chosen' : ''}
      onClick={() => onSelect(row.code)}
    >
      <td colSpan={named ? 2 : 1}>
        <button
          type="button"
          className="cursor-pointer"
          onFocus={() => onSelect(row.code)}
          onClick={() => me.mayChange && onEdit(row.code)}
        >
          {named ? row.name : row.code}
        </button>
      </td>
      {!named && <td title={row.name}>{row.name === row.code ? '' : row.name}</td>}
      <td className="soft" title={row.note}>
        {row.note === row.code ? '' : row.note}
      </td>
      <td className="amount">
        {row.blockedDocuments > 0 && (
          <span className="text-accent" title={plural(row.blockedDocuments, 'document')}>
            {amount(row.blockedAmount)} <span className="soft">({row.blockedDocuments})</span>
          </span>
        )}
      </td>
      <td className="gutter">
        <Joint open={row.open} own={row.row !== undefined} />
      </td>
      <td className={editing === row.code ? '!overflow-visible !whitespace-normal' : ''}>
        {editing === row.code ? (
          <RowEditor kind={kind} code={row.code} onDone={() => onEdit(null)} />
        ) : (
          <RightPage {...props} />
        )}
      </td>
    </tr>
  );
}

/** Two ends of a line: joined when mapped, dotted when covered by something more general, apart when open. */
function Joint({ open, own }: { open: boolean; own: boolean }) {
  const word = own ? 'mapped' : open ? 'open' : 'covered otherwise';
  return (
    <svg role="img" aria-label={word} width="34" height="12" viewBox="0 0 34 12" className="inline-block">
      <title>{word}</title>
      <circle cx="5" cy="6" r="4" className="fill-primary" />
      <circle
        cx="29"
        cy="6"
        r="4"
        className={open ? 'stroke-accent fill-none' : 'fill-secondary'}
        strokeWidth="1.5"
      />
      {!open && (
        <path
          d="M9 6h16"
          strokeWidth="1.6"
          strokeDasharray={own ? undefined : '2 2'}
          className="stroke-base-content"
        />
      )}
    </svg>
  );
}

function RightPage({ row, kind, choices, selected, onEdit, onAccept }: Props & { row: MapRow }) {
  const { me } = useCurrent();
  const options = optionsFor(kind, choices);
  const remove = useChangeRow();
  if (row.row) {
    const { version, setBy, setAt } = row.row;
    const { meaning } = row.row;
    const main = mainOf(kind, meaning, choices);
    const first = main && (labelOf(options, main.counterpart, main.account) || CREATE.label);
    const label = [first, furtherSaid(kind, meaning, choices)].filter((each) => each).join('; ');
    return (
      <span className="flex items-center gap-3">
        <span className="truncate" title={label}>
          {label}
        </span>
        <span className="soft ml-auto shrink-0 text-[12px]">
          {setBy}, {day(setAt)}, version {version}
        </span>
        {row.code === selected && (
          <>
            <History kind={kind} code={row.code} />
            {me.mayChange && (
              <button
                type="button"
                className="shrink-0 cursor-pointer text-[12px] underline"
                onClick={() =>
                  remove.mutate({
                    kind,
                    code: row.code,
                    meaning: NOTHING,
                    expectedVersion: version,
                    remove: true,
                  })
                }
              >
                Take away
              </button>
            )}
          </>
        )}
      </span>
    );
  }
  return (
    <span className="flex items-center gap-3">
      <span className={row.open ? 'text-accent shrink-0' : 'soft truncate'}>
        {row.open ? 'open' : row.covered}
      </span>
      {row.suggestion && (
        <span className="truncate" title={row.suggestion.reason}>
          {row.suggestion.counterpart} {row.suggestion.name}{' '}
          <span className="soft">({row.suggestion.reason})</span>
        </span>
      )}
      {me.mayChange && (
        <span className="ml-auto flex shrink-0 gap-2">
          {row.suggestion && (
            <button type="button" className="cursor-pointer underline" onClick={() => onAccept(row)}>
              Accept {row.code === selected && <Key>y</Key>}
            </button>
          )}
          {(row.open || row.code === selected) && (
            <button type="button" className="cursor-pointer underline" onClick={() => onEdit(row.code)}>
              Choose {row.code === selected && <Key>e</Key>}
            </button>
          )}
        </span>
      )}
    </span>
  );
}
