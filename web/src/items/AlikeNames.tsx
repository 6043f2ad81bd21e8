import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { useCurrent } from '../app/current';
import { TriedList } from '../bulk/TriedList';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Failure } from '../ui/Failure';
import { plural } from '../ui/format';
import { Key } from '../ui/Key';
import type { NameAlike } from './queries';

/** Items whose names would be the same there, with a name of its own for each; none is created before. */
export function AlikeNames({ found }: { found: Schemas['NamesThere'] }) {
  const { me, route } = useCurrent();
  const [typed, setTyped] = useState<Record<string, string>>({});
  const nameOf = (row: NameAlike) => typed[row.code] ?? row.proposed;
  const named = Object.fromEntries(
    found.rows.map((row) => [row.code, nameOf(row).trim()] as const).filter(([, name]) => name !== ''),
  );
  const attempt = useMutation({
    mutationFn: () =>
      workDone(client.POST('/api/map/bulk/names', { body: { route: route.code, names: named } })),
  });
  const may = me.mayChange && Object.keys(named).length > 0 && !attempt.isPending;
  useHotkeys('a', () => attempt.mutate(), {
    enabled: may && attempt.data === undefined,
    preventDefault: true,
  });
  if (attempt.data) {
    return <TriedList tried={attempt.data} says="Names there" onDone={() => attempt.reset()} />;
  }
  const columns: Column<NameAlike>[] = [
    {
      id: 'code',
      name: 'Item',
      width: 150,
      handle: true,
      value: (row) => row.code,
      cell: (row) => row.code,
    },
    {
      id: 'name',
      name: 'Called',
      title: (row) => row.name,
      value: (row) => row.name,
      cell: (row) => row.name,
    },
    {
      id: 'proposed',
      name: `Name on ${route.ledger}`,
      page: 'right',
      width: 330,
      value: nameOf,
      cell: (row) =>
        row.there ? (
          <span className="soft">is there, and keeps its name</span>
        ) : me.mayChange ? (
          <input
            className="field h-7 w-full"
            aria-label={`Name of ${row.code} there`}
            maxLength={found.limit}
            placeholder={row.proposed === '' ? 'keeps its name' : ''}
            value={nameOf(row)}
            onChange={(event) => setTyped({ ...typed, [row.code]: event.target.value })}
          />
        ) : (
          nameOf(row) || 'keeps its name'
        ),
    },
  ];
  return (
    <>
      {found.alike > 0 && (
        <div className="flex flex-wrap items-center gap-3 px-4 py-2 text-[13px]">
          <span className="text-accent">
            {plural(found.alike, 'item')} would share a name with another. As long as that is so, no item is
            created on {route.ledger}.
          </span>
          {found.rows.length < found.alike && <span className="soft">The first 2,000 are listed.</span>}
          {me.mayChange && (
            <button
              type="button"
              className="act act-main ml-auto"
              disabled={!may}
              onClick={() => attempt.mutate()}
            >
              {attempt.isPending ? 'Comparing…' : 'See what these names change'} <Key>a</Key>
            </button>
          )}
        </div>
      )}
      {attempt.error && <Failure error={attempt.error} />}
      <Book
        name="items-alike"
        label="Items whose names would be the same"
        columns={columns}
        rows={found.rows}
        keyOf={(row) => `${row.named} ${row.code}`}
        groups={groupsOf(found.rows)}
        empty={
          <p className="soft p-4">
            No two items would have the same name on {route.ledger}. New ones can be created there.
          </p>
        }
      />
    </>
  );
}

/** Those that would share a name stand together, and come so. */
function groupsOf(rows: NameAlike[]) {
  const groups: { key: string; head: string; rows: NameAlike[] }[] = [];
  for (const row of rows) {
    const last = groups.at(-1);
    if (last?.key === row.named) {
      last.rows.push(row);
    } else {
      groups.push({ key: row.named, head: `“${row.named}”`, rows: [row] });
    }
  }
  return groups;
}
