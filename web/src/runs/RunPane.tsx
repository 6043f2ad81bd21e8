import { useQuery } from '@tanstack/react-query';
import { Fragment } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { useView } from '../app/useView';
import { kindSaid } from '../log/words';
import { Failure } from '../ui/Failure';
import { day, moment, money, plural } from '../ui/format';
import { runQuery, runRecordsQuery } from './queries';
import { figureSaid, oddSaid, ofSaid, plannedSaid, type Figure, type Run } from './words';

interface Props {
  route: Schemas['RouteJson'];
  run: Run;
}

const LISTED = 500;
const NOTHING: Record<string, string> = {
  running: 'Nothing yet.',
  done: 'Nothing was new on either side, and nothing was sent.',
  failed: 'Nothing came of it.',
};

/** The figures of a run beside those of the one before, each with its records. */
export function RunPane({ route, run }: Props) {
  const view = useView();
  const detail = useQuery(runQuery(route.code, run.id));
  const figures = detail.data?.figures ?? [];
  const compared = detail.data?.before !== undefined;
  const odd = oddSaid(run);
  return (
    <aside aria-label="Run" className="border-base-300 min-h-0 overflow-auto border-l p-4">
      <h2 className="title text-[17px]">
        {run.origin === 'schedule' ? 'By the schedule' : `By ${run.who}`}, {moment(run.startedAt)}
      </h2>
      {ofSaid(run) !== '' && <p className="text-[13px]">Of {ofSaid(run)} alone</p>}
      {run.plannedAt && <p className="soft text-[13px]">Planned for {plannedSaid(run.plannedAt)}</p>}
      {odd !== '' && <p className="text-accent text-[13px]">It {odd}.</p>}
      {run.problem && (
        <p className="border-error text-error my-2 border-l-[3px] pl-2">
          {run.problem.sentence} <span className="soft block text-[12.5px]">{run.problem.detail}</span>
        </p>
      )}
      {detail.error && <Failure error={detail.error} />}
      {detail.data && figures.length === 0 && <p className="soft mt-3">{NOTHING[run.state] ?? ''}</p>}
      {figures.length > 0 && (
        <table className="slip mt-3 w-full text-[13.5px]" aria-label="Figures of the run">
          <thead>
            <tr className="soft text-left text-[12.5px]">
              <th className="w-full" />
              <th className="amount">This run</th>
              {compared && <th className="amount pl-3">The one before</th>}
            </tr>
          </thead>
          <tbody>
            {figures.map((each) => {
              const name = `${each.what} ${each.kind}`;
              const open = view.get('figure') === name;
              return (
                <Fragment key={name}>
                  <tr data-figure={name}>
                    <td>
                      <button
                        type="button"
                        className="cursor-pointer underline disabled:cursor-default disabled:no-underline"
                        aria-expanded={open}
                        disabled={each.count === 0}
                        onClick={() => view.set({ figure: open ? null : name }, { replace: true })}
                      >
                        {figureSaid(each.what, route)}
                      </button>
                      <span className="soft">, {kindSaid(each.kind)}</span>
                    </td>
                    <td className="amount">{each.count}</td>
                    {compared && <td className="amount soft pl-3">{each.before}</td>}
                  </tr>
                  {open && <Records route={route.code} run={run.id} figure={each} />}
                </Fragment>
              );
            })}
          </tbody>
        </table>
      )}
    </aside>
  );
}

/** Where one of what a figure counts is looked at. */
const behind = (kind: string, each: Schemas['RunRecordJson'], route: string): string =>
  each.id > 0
    ? `/documents/${each.id}?route=${route}`
    : `/map?kind=${kind.toUpperCase()}&route=${route}&row=${each.number}`;

function Records({ route, run, figure }: { route: string; run: number; figure: Figure }) {
  const records = useQuery(runRecordsQuery(route, run, figure.what, figure.kind));
  return (
    <>
      {records.data?.map((each) => (
        <tr key={`${each.id} ${each.number}`} className="text-[12.5px]">
          <td className="pl-4">
            <Link className="underline" to={behind(figure.kind, each, route)}>
              {each.number}
            </Link>{' '}
            {each.party}
            {each.date && `, ${day(each.date)}`}
          </td>
          <td colSpan={2} className="amount whitespace-nowrap">
            {each.currency !== '' && money(each.gross, each.currency)}
          </td>
        </tr>
      ))}
      {figure.count > LISTED && (
        <tr className="soft text-[12.5px]">
          <td colSpan={3} className="pl-4">
            and {plural(figure.count - LISTED, 'more record')}
          </td>
        </tr>
      )}
    </>
  );
}
