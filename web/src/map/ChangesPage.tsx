import { useInfiniteQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { toTheEnd } from '../api/toTheEnd';
import { useCurrent } from '../app/current';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Failure } from '../ui/Failure';
import { moment } from '../ui/format';
import { rowName } from '../whatif/words';
import { BesideMap } from './BesideMap';
import { NOTHING, saidBy } from './meaning';
import { changesQuery } from './queries';
import { useChangeRow } from './useChangeRow';

type Change = Schemas['CrosswalkChange'];

const was = (change: Change) => saidBy(change.was) || (change.before ? 'a new one' : 'no row');
const became = (change: Change) => saidBy(change.says) || (change.meaning ? 'a new one' : 'no row');

/** Who changed which row, when, from what, to what, and why; what stands can be taken back here. */
export function ChangesPage() {
  const { me, route } = useCurrent();
  const changes = useInfiniteQuery(changesQuery(route.code));
  const back = useChangeRow();
  const [text, setText] = useState('');
  const all = useMemo(() => changes.data?.pages.flat() ?? [], [changes.data]);
  const rows = all.filter((each) => saysAnywhere(each).includes(text.toLowerCase()));
  const columns: Column<Change>[] = [
    {
      id: 'when',
      name: 'When',
      width: 140,
      handle: true,
      value: (row) => row.setAt,
      cell: (row) => moment(row.setAt),
    },
    {
      id: 'who',
      name: 'Who',
      width: 170,
      title: (row) => row.setBy,
      value: (row) => row.setBy,
      cell: (row) => row.setBy,
    },
    {
      id: 'row',
      name: 'Row',
      width: 200,
      title: (row) => rowName(row.kind, row.code),
      value: (row) => rowName(row.kind, row.code),
      cell: (row) => (
        <Link
          className="underline"
          to={`/map?route=${route.code}&kind=${row.kind.toLowerCase()}&row=${encodeURIComponent(row.code)}`}
        >
          {rowName(row.kind, row.code)}
        </Link>
      ),
    },
    { id: 'was', name: 'Was', tone: () => 'soft', title: was, value: was, cell: was },
    { id: 'became', name: 'Became', title: became, value: became, cell: became },
    {
      id: 'why',
      name: 'Why',
      width: 170,
      title: (row) => row.note,
      value: (row) => row.note,
      cell: (row) => row.note,
    },
    {
      id: 'back',
      name: 'Take back',
      unnamed: true,
      width: 100,
      cell: (row) =>
        me.mayChange &&
        row.stands && (
          <button
            type="button"
            className="cursor-pointer underline"
            disabled={back.isPending}
            onClick={() =>
              back.mutate({
                kind: row.kind,
                code: row.code,
                meaning: row.before ?? NOTHING,
                expectedVersion: row.meaning ? row.version : 0,
                remove: !row.before,
              })
            }
          >
            Take it back
          </button>
        ),
    },
  ];
  return (
    <BesideMap
      label="History of the crosswalks"
      title="History"
      back={{ to: `/map?route=${route.code}`, name: 'All crosswalks' }}
      head={
        <>
          <input
            type="search"
            aria-label="Narrow the history"
            placeholder="Row, account or person"
            className="field w-52"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <Link className="ml-auto underline" to={`/map/then?route=${route.code}`}>
            All crosswalks as they were
          </Link>
          <Link className="underline" to={`/map/bulk?route=${route.code}`}>
            Put one back as it was
          </Link>
        </>
      }
    >
      {changes.error && <Failure error={changes.error} />}
      {back.error && <Failure error={back.error} />}
      <Book
        name="map-history"
        label="Changes of rows"
        columns={columns}
        rows={rows}
        keyOf={(row) => `${row.setAt} ${row.kind} ${row.code} ${row.version} ${row.meaning ? 'set' : 'away'}`}
        readAll={changes.hasNextPage ? async () => (await toTheEnd(changes)).flat() : undefined}
        onEnd={() => changes.hasNextPage && !changes.isFetchingNextPage && void changes.fetchNextPage()}
        empty={changes.isSuccess && <p className="soft p-4">No row was changed, or none of that kind.</p>}
      />
    </BesideMap>
  );
}

const saysAnywhere = (change: Change) =>
  [rowName(change.kind, change.code), change.setBy, was(change), became(change), change.note]
    .join(' ')
    .toLowerCase();
