import { useInfiniteQuery } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Schemas } from '../api/client';
import { useView } from '../app/useView';
import { Failure } from '../ui/Failure';
import { moment } from '../ui/format';
import { runsQuery, type Only } from './queries';
import { RunPane } from './RunPane';
import { ScheduleStrip } from './ScheduleStrip';
import { ofSaid, tookSaid, type Run } from './words';

/** What came of each run of a route, and when the next ones take place. */
export function RunsPage({ route }: { route: Schemas['RouteJson'] }) {
  const view = useView();
  const only = onlyOf(view.get('only'));
  const runs = useInfiniteQuery(runsQuery(route.code, only));
  const rows = runs.data?.pages.flatMap((page) => page.runs) ?? [];
  const at = rows.find((each) => each.id === Number(view.get('run'))) ?? rows[0];
  const move = (by: number) => {
    const now = rows.findIndex((each) => each.id === Number(view.now('run')));
    const to = rows[Math.max(now, 0) + by];
    if (to) {
      view.set({ run: String(to.id), figure: null }, { replace: true });
    }
  };
  useHotkeys('j', () => move(1));
  useHotkeys('k', () => move(-1));
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <ScheduleStrip route={route} />
      <div role="group" aria-label="Which runs" className="border-base-300 flex gap-1.5 border-b px-4 py-1.5">
        {ONLY.map(([each, says]) => (
          <button
            key={each}
            type="button"
            className="chip"
            aria-pressed={only === each}
            onClick={() => view.set({ only: each === 'ALL' ? null : each, run: null, figure: null })}
          >
            {says}
          </button>
        ))}
      </div>
      {runs.error && <Failure error={runs.error} />}
      {runs.data && rows.length === 0 && only !== 'ALL' && <p className="soft p-4">No run was like that.</p>}
      {runs.data && rows.length === 0 && only === 'ALL' && (
        <p className="soft p-4">
          This route has not run yet. <b>Fetch both sides</b> above runs it by hand; set when it runs by
          itself here.
        </p>
      )}
      {rows.length > 0 && (
        <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,6fr)_minmax(0,5fr)]">
          <RunList
            rows={rows}
            at={at}
            onOpen={(run) => view.set({ run: String(run.id), figure: null }, { replace: true })}
            onOlder={runs.hasNextPage ? () => void runs.fetchNextPage() : undefined}
          />
          {at && <RunPane key={at.id} route={route} run={at} />}
        </div>
      )}
    </div>
  );
}

const ONLY: [Only, string][] = [
  ['ALL', 'All'],
  ['NEWS', 'With news'],
  ['FAILED', 'Failed'],
  ['BY_HAND', 'By hand'],
  ['BY_SCHEDULE', 'By the schedule'],
];

const onlyOf = (word: string): Only => ONLY.find(([each]) => each === word)?.[0] ?? 'ALL';

interface ListProps {
  rows: Run[];
  at: Run | undefined;
  onOpen: (run: Run) => void;
  onOlder: (() => void) | undefined;
}

const RunList = ({ rows, at, onOpen, onOlder }: ListProps) => (
  <div className="min-h-0 overflow-auto">
    <table className="slip w-full text-[13.5px]" aria-label="Runs">
      <thead className="bg-base-100 sticky top-0">
        <tr className="soft text-left text-[12.5px]">
          <th className="pl-4">Begun</th>
          <th>By</th>
          <th>Of</th>
          <th className="amount">Took</th>
          <th className="pl-4">What came of it</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((run) => (
          <tr
            key={run.id}
            data-run={run.id}
            data-state={run.state}
            className={run.id === at?.id ? 'row-chosen' : ''}
          >
            <td className="pl-4 whitespace-nowrap">
              <button
                type="button"
                className="cursor-pointer"
                aria-pressed={run.id === at?.id}
                onClick={() => onOpen(run)}
              >
                {moment(run.startedAt)}
              </button>
            </td>
            <td className="whitespace-nowrap">{run.who}</td>
            <td className="max-w-[110px] truncate" title={ofSaid(run)}>
              {ofSaid(run) || <span className="soft">the route</span>}
            </td>
            <td className="amount whitespace-nowrap">{tookSaid(run)}</td>
            <td className={`pl-4 ${run.state === 'failed' ? 'text-error' : ''}`}>{outcomeOf(run)}</td>
          </tr>
        ))}
      </tbody>
    </table>
    {onOlder && (
      <button type="button" className="act m-3" onClick={onOlder}>
        Show older ones
      </button>
    )}
  </div>
);

const outcomeOf = (run: Run) =>
  run.state === 'running'
    ? 'running…'
    : run.state === 'failed'
      ? (run.problem?.sentence ?? 'It failed.')
      : run.sentence;
