import { useMemo, type ReactNode } from 'react';
import { Link } from 'react-router';
import { useCurrent } from '../app/current';
import { Figure } from '../help/Figure';
import { useTouched } from '../news/touched';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Key } from '../ui/Key';
import { amount, day, plural } from '../ui/format';
import type { Chosen } from '../bulk/useChosen';
import { whatIfOf } from '../whatif/address';
import type { Schemas } from '../api/client';
import { Coverage } from './Coverage';
import { History } from './History';
import type { MapRow } from './MapPage';
import { NOTHING, saidBy } from './meaning';
import { PartyDeeds } from './PartyDeeds';
import { RowEditor } from './RowEditor';
import { useChangeRow, type RowKind } from './useChangeRow';
import type { useMapRows } from './useMapRows';

interface Props {
  kind: RowKind;
  heads: { left: string; right: string };
  counts: Schemas['KindCounts'] | undefined;
  /** What can be done with the whole list, at its head. */
  beside: ReactNode;
  list: ReturnType<typeof useMapRows>;
  selected: string | undefined;
  selectedNow: () => string | undefined;
  editing: string | null;
  /** Which codes are chosen, to be mapped together; left out where nothing may be changed. */
  chosen: Chosen | undefined;
  onSelect: (code: string) => void;
  onEdit: (code: string | null) => void;
  onAccept: (row: MapRow) => void;
  /** Whether what is seen was put out of sight. */
  hidden: boolean;
}

/** Kinds whose codes are ours, and no more than their names in other letters. */
const NAMED = new Set<RowKind>(['ROLE', 'LINE_KIND']);
const keyOf = (row: MapRow) => row.code;

export function MapTable(props: Props) {
  const { list, heads, selected, selectedNow, editing, kind, onSelect, onEdit } = props;
  const { me, route } = useCurrent();
  const named = NAMED.has(kind);
  const touched = useTouched('CROSSWALK');
  const left = useMemo(
    () => (named ? namedColumns(heads.left) : codedColumns(heads.left)),
    [named, heads.left],
  );
  const right: Column<MapRow> = {
    id: 'meaning',
    name: heads.right,
    page: 'right',
    width: '44%',
    overflows: (row) => editing === row.code,
    cell: (row) =>
      editing === row.code ? (
        <RowEditor kind={kind} code={row.code} onDone={() => onEdit(null)} />
      ) : (
        <RightPage {...props} row={row} />
      ),
  };
  return (
    <Book
      name={`map-${kind.toLowerCase()}`}
      label="Crosswalk"
      columns={[...left, holdsUp(route.currency), JOINED, right]}
      pages={{
        left: (
          <span className="flex items-center justify-between gap-4">
            {named ? 'Of this route' : `In ${route.source}`}
            <Coverage counts={props.counts} />
          </span>
        ),
        right: <RightHead kind={kind}>{props.beside}</RightHead>,
      }}
      rows={list.rows}
      count={list.count}
      begins={list.begins}
      onLook={list.look}
      readAll={list.readAll}
      keyOf={keyOf}
      dataOf={(row) => ({ code: row.code, open: row.open })}
      touchedOf={(row) => touched(`${kind}/${row.code}`)}
      chosen={props.chosen?.codes}
      chosenNow={props.chosen?.now}
      onChoose={props.chosen?.choose}
      nameOf={keyOf}
      at={selected}
      atNow={selectedNow}
      onAt={onSelect}
      onPress={me.mayChange ? (row) => onEdit(row.code) : undefined}
      onOpen={me.mayChange ? (row) => onEdit(row.code) : undefined}
    />
  );
}

/** Whose books, and what else can be done with the whole crosswalk. */
function RightHead({ kind, children }: { kind: RowKind; children: ReactNode }) {
  const { route } = useCurrent();
  const link = 'font-sans text-[12px] font-normal underline';
  return (
    <span className="flex items-baseline gap-4">
      {route.ledger === '' ? 'On no books yet' : `On the books of ${route.ledger}`}
      {children}
      <Link className={link} to={`/map/bulk?route=${route.code}&kind=${kind.toLowerCase()}`}>
        In bulk
      </Link>
      {kind === 'PARTY' && route.ledger !== '' && (
        <Link className={link} to={`/map/twins?route=${route.code}`}>
          There twice
        </Link>
      )}
      {kind === 'ITEM' && route.ledger !== '' && (
        <Link className={link} to={`/map/names?route=${route.code}`}>
          Names there
        </Link>
      )}
      <Link className={link} to={`/map/history?route=${route.code}`}>
        History
      </Link>
      <Link className={link} to={`/map/corrections?route=${route.code}`}>
        Corrections
      </Link>
    </span>
  );
}

const namedColumns = (head: string): Column<MapRow>[] => [
  { id: 'name', name: head, handle: true, value: (row) => row.name, cell: (row) => row.name },
  { ...noted, width: 230 },
];

const codedColumns = (head: string): Column<MapRow>[] => [
  { id: 'code', name: head, width: 110, handle: true, value: keyOf, cell: keyOf },
  {
    id: 'name',
    name: 'Name',
    value: (row) => row.name,
    title: (row) => row.name,
    cell: (row) => (row.name === row.code ? '' : row.name),
  },
  { ...noted, width: 130 },
];

const noted: Column<MapRow> = {
  id: 'note',
  name: 'Note',
  unnamed: true,
  tone: () => 'soft',
  title: (row) => row.note,
  cell: (row) => (row.note === row.code ? '' : row.note),
};

const holdsUp = (currency: string): Column<MapRow> => ({
  id: 'holds-up',
  name: `Holds up, ${currency}`,
  beside: (
    <Figure rule="holds-up" name="Holds up" className="ml-1">
      ?
    </Figure>
  ),
  width: 150,
  amount: true,
  value: (row) => row.blockedAmount,
  rank: (row) => Number(row.blockedAmount),
  cell: (row) =>
    row.blockedDocuments > 0 && (
      <span className="text-accent" title={plural(row.blockedDocuments, 'document')}>
        {amount(row.blockedAmount)} <span className="soft">({row.blockedDocuments})</span>
      </span>
    ),
});

const JOINED: Column<MapRow> = {
  id: 'joined',
  name: 'Mapped',
  page: 'gutter',
  width: 54,
  cell: (row) => <Joint open={row.open} own={row.row !== undefined && !row.open && row.covered === ''} />,
};

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

/** Where a party is compared with those that it may be. */
export const comparing = (route: string, code: string) =>
  `/map/parties/${encodeURIComponent(code)}?route=${route}`;

function RightPage({ row, kind, selected, onEdit, onAccept, hidden }: Props & { row: MapRow }) {
  const { me, route } = useCurrent();
  if (row.row) {
    const { version, setBy, setAt } = row.row;
    // A row that says only how an item is named there leaves where it goes to what is more general.
    const label = [row.open ? 'open' : row.covered, saidBy(row.says)]
      .filter((part) => part !== '')
      .join('; ');
    return (
      <span className="flex items-center gap-3">
        <span className="truncate" title={label}>
          {label}
        </span>
        <span className="soft ml-auto shrink-0 text-[12px]">
          {setBy}, {day(setAt)}, version {version}
        </span>
        {row.code === selected && <Deeds row={row} kind={kind} version={version} />}
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
          {row.suggestion.code} {row.suggestion.name} <span className="soft">({row.suggestion.reason})</span>
        </span>
      )}
      {(me.mayChange || kind === 'PARTY') && (
        <span className="ml-auto flex shrink-0 gap-2">
          {kind === 'PARTY' && row.suggestion && (
            <Link className="underline" to={comparing(route.code, row.code)}>
              Compare {row.code === selected && <Key>c</Key>}
            </Link>
          )}
          {me.mayChange && row.suggestion && (
            <button type="button" className="cursor-pointer underline" onClick={() => onAccept(row)}>
              Accept {row.code === selected && <Key>y</Key>}
            </button>
          )}
          {kind === 'PARTY' && me.mayChange && row.code === selected && !row.open && (
            <PartyDeeds code={row.code} hidden={hidden} />
          )}
          {me.mayChange && (row.open || row.code === selected) && (
            <button type="button" className="cursor-pointer underline" onClick={() => onEdit(row.code)}>
              Choose {row.code === selected && <Key>e</Key>}
            </button>
          )}
        </span>
      )}
    </span>
  );
}

/** What can be done with a row that stands. Only of the row that one is at: a list has many. */
function Deeds({ row, kind, version }: { row: MapRow; kind: RowKind; version: number }) {
  const { me, route } = useCurrent();
  const remove = useChangeRow();
  return (
    <>
      <History kind={kind} code={row.code} />
      {me.mayChange && (
        <>
          <Link
            className="shrink-0 text-[12px] underline"
            to={whatIfOf(route.code, { kind, code: row.code })}
          >
            Without it?
          </Link>
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
        </>
      )}
    </>
  );
}
