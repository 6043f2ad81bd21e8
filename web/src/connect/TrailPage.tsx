import { useInfiniteQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Schemas } from '../api/client';
import { settingsTrailQuery } from '../api/queries';
import { toTheEnd } from '../api/toTheEnd';
import { useView } from '../app/useView';
import { Failure } from '../ui/Failure';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { moment } from '../ui/format';
import { said } from './said';
import { TrailCheck } from './TrailCheck';

type Entry = Schemas['TrailEntry'];

const detailOf = (entry: Entry) =>
  Object.entries(entry.detail)
    .filter(([, value]) => value !== '')
    .map(([name, value]) => `${said(name).toLowerCase()} ${String(value)}`)
    .join(', ');

const COLUMNS: Column<Entry>[] = [
  {
    id: 'at',
    name: 'When',
    width: 170,
    title: (entry) => entry.at,
    tone: () => 'soft',
    value: (entry) => entry.at,
    cell: (entry) => moment(entry.at),
  },
  {
    id: 'who',
    name: 'Who',
    width: 170,
    title: (entry) => entry.signIn && `signs in as ${entry.signIn}`,
    value: (entry) => entry.who,
    cell: (entry) => entry.who,
  },
  {
    id: 'what',
    name: 'What',
    width: 260,
    value: (entry) => said(entry.action),
    cell: (entry) => said(entry.action),
  },
  {
    id: 'detail',
    name: 'Of it',
    title: (entry) => JSON.stringify(entry.detail),
    tone: () => 'soft',
    value: detailOf,
    cell: detailOf,
  },
];

/** Everything that was done to settings, people and connections, the newest first. */
export function TrailPage() {
  const view = useView();
  const trail = useInfiniteQuery(settingsTrailQuery(view.get('who'), view.get('text')));
  const entries = useMemo(() => trail.data?.pages.flat() ?? [], [trail.data]);
  const persons = [...new Set(entries.map((entry) => entry.who))].sort();
  if (trail.error) {
    return <Failure error={trail.error} />;
  }
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="flex items-center gap-3 px-4 py-2">
        <input
          type="search"
          aria-label="Narrow the trail"
          placeholder="What, or whom"
          className="field w-52"
          value={view.get('text')}
          onChange={(event) => view.set({ text: event.target.value }, { replace: true })}
        />
        <label className="flex items-center gap-2">
          By
          <select
            className="field"
            value={view.get('who')}
            onChange={(event) => view.set({ who: event.target.value })}
          >
            <option value="">everybody</option>
            {persons.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
        <TrailCheck />
      </div>
      <Book
        name="trail"
        label="Trail of settings"
        columns={COLUMNS}
        rows={entries}
        keyOf={(entry) => String(entry.id)}
        readAll={trail.hasNextPage ? async () => (await toTheEnd(trail)).flat() : undefined}
        onEnd={() => trail.hasNextPage && !trail.isFetchingNextPage && void trail.fetchNextPage()}
        empty={trail.isSuccess && <p className="soft p-4">Nothing of that kind was done.</p>}
      />
    </div>
  );
}
