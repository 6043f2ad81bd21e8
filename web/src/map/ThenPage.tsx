import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Failure } from '../ui/Failure';
import { moment, plural } from '../ui/format';
import { MomentField } from '../ui/MomentField';
import { rowName } from '../whatif/words';
import { BesideMap } from './BesideMap';
import { saidBy } from './meaning';
import { thenQuery } from './queries';

type ThenRow = Schemas['ThenRow'];

const LISTED = 2000;
const then = (row: ThenRow) => saidBy(row.then) || 'no row';
const now = (row: ThenRow) => saidBy(row.now) || 'no row';
const what = (row: ThenRow) =>
  row.same
    ? 'the same'
    : row.then.length === 0
      ? 'new since'
      : row.now.length === 0
        ? 'gone since'
        : 'changed';

const COLUMNS: Column<ThenRow>[] = [
  {
    id: 'row',
    name: 'Row',
    width: '26%',
    handle: true,
    title: (row) => rowName(row.kind, row.code),
    value: (row) => rowName(row.kind, row.code),
    cell: (row) => rowName(row.kind, row.code),
  },
  { id: 'then', name: 'Then', tone: () => 'soft', title: then, value: then, cell: then },
  { id: 'now', name: 'Now', title: now, value: now, cell: now },
  { id: 'what', name: 'What', width: 110, value: what, cell: what },
];

/** All crosswalks of the route as they stood at a moment, compared with now. */
export function ThenPage() {
  const { route } = useCurrent();
  const view = useView();
  const at = view.get('moment');
  const all = view.get('all') === 'yes';
  const found = useQuery({ ...thenQuery(route.code, at, all), enabled: at !== '' });
  return (
    <BesideMap
      label="Crosswalks at a moment"
      title="As it was"
      back={{ to: `/map/history?route=${route.code}`, name: 'Back to the history' }}
      head={
        <>
          <div className="w-[300px]">
            <MomentField label="On" onMoment={(chosen) => view.set({ moment: chosen })} />
          </div>
          {found.data && (
            <span>
              {moment(found.data.moment)}: {plural(found.data.different, 'row')} said otherwise,{' '}
              {found.data.same} the same.
            </span>
          )}
          {found.data && found.data.rows.length >= LISTED && (
            <span className="soft">The first 2,000 are listed.</span>
          )}
          <label className="ml-auto flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={all}
              onChange={(event) => view.set({ all: event.target.checked ? 'yes' : null })}
            />
            also what is the same
          </label>
        </>
      }
    >
      {found.error && <Failure error={found.error} />}
      <Book
        name="map-then"
        label="Rows then and now"
        columns={COLUMNS}
        rows={found.data?.rows ?? []}
        keyOf={(row) => `${row.kind} ${row.code}`}
        empty={
          <p className="soft p-4">
            {at === ''
              ? 'Say of which moment. What was said then stands beside what is said now; a whole crosswalk is put back under In bulk.'
              : found.isSuccess
                ? 'Everything says now what it said then.'
                : 'Comparing…'}
          </p>
        }
      />
    </BesideMap>
  );
}
