import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { answer, client, type Schemas } from '../api/client';
import { useSession } from '../app/current';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { useNotice } from '../ui/notices';
import { QuietHours } from './QuietHours';
import { scheduleQuery } from './queries';
import { ScheduleForm } from './ScheduleForm';
import { daysSaid, intervalSaid, later, plannedSaid, type Schedule } from './words';

interface Props {
  route: Schemas['RouteJson'];
}

const BY = [
  { says: 'an hour', minutes: 60 },
  { says: 'four hours', minutes: 4 * 60 },
  { says: 'a day', minutes: 24 * 60 },
];

/** Changes the schedule, and shows what it has become. */
function useScheduleChange(route: string) {
  const queries = useQueryClient();
  const notice = useNotice();
  return useMutation({
    mutationFn: ({ change }: { change: Promise<Schedule>; says: string }) => change,
    onSuccess: (schedule, { says }) => {
      queries.setQueryData(scheduleQuery(route).queryKey, schedule);
      notice({ tone: 'done', text: says });
    },
    onError: () => queries.invalidateQueries({ queryKey: scheduleQuery(route).queryKey }),
  });
}

export type ScheduleChange = ReturnType<typeof useScheduleChange>;

/** When a route runs by itself: said in one line, changed in place. */
export function ScheduleStrip({ route }: Props) {
  const { me } = useSession();
  const schedule = useQuery(scheduleQuery(route.code));
  const change = useScheduleChange(route.code);
  const [open, setOpen] = useState<'' | 'schedule' | 'quiet'>('');
  const now = schedule.data;
  const postpone = (minutes: number, says: string) =>
    now?.nextAt &&
    change.mutate({
      change: answer(
        client.POST('/api/runs/schedule/postponement', {
          body: { route: route.code, seen: now.nextAt, until: later(now.nextAt, minutes) },
        }),
      ),
      says: `The next run is postponed by ${says}`,
    });
  const mayChange = me.mayChange;
  useHotkeys('o', () => void postpone(60, 'an hour'), {
    enabled: mayChange && Boolean(now?.nextAt) && !change.isPending,
  });
  if (schedule.error) {
    return <Failure error={schedule.error} />;
  }
  if (!now) {
    return null;
  }
  return (
    <section aria-label="Schedule" className="border-base-300 border-b px-4 py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5">
        <p className="mr-auto">
          {now.firstAt ? (
            <>
              Runs by itself <b>{intervalSaid(now.everyMinutes)}</b>, {daysSaid(now.days)}.{' '}
              {now.nextAt ? (
                <>
                  Next <b data-next>{plannedSaid(now.nextAt)}</b>
                  {now.postponed && <span className="text-accent"> postponed</span>}
                  <span className="soft">, then {now.following.slice(0, 2).map(plannedSaid).join(', ')}</span>
                </>
              ) : (
                <span className="text-accent">No run is left: quiet hours leave no time.</span>
              )}
            </>
          ) : (
            <span className="soft">Runs by hand only.</span>
          )}
        </p>
        {mayChange && (
          <>
            {now.nextAt &&
              BY.map(({ says, minutes }, place) => (
                <button
                  key={minutes}
                  type="button"
                  className="act"
                  disabled={change.isPending}
                  onClick={() => void postpone(minutes, says)}
                >
                  {place === 0 ? 'Postpone by an hour' : `by ${says}`} {place === 0 && <Key>o</Key>}
                </button>
              ))}
            <button
              type="button"
              className="act"
              aria-expanded={open === 'schedule'}
              onClick={() => setOpen(open === 'schedule' ? '' : 'schedule')}
            >
              {now.firstAt ? 'Change when it runs' : 'Let it run by itself'}
            </button>
            <button
              type="button"
              className="act"
              aria-expanded={open === 'quiet'}
              onClick={() => setOpen(open === 'quiet' ? '' : 'quiet')}
            >
              Quiet hours {now.quiet.length > 0 && <b>{now.quiet.length}</b>}
            </button>
          </>
        )}
      </div>
      {change.error && <Failure error={change.error} />}
      {open === 'schedule' && (
        <ScheduleForm route={route.code} schedule={now} change={change} onLeave={() => setOpen('')} />
      )}
      {open === 'quiet' && (
        <QuietHours route={route} schedule={now} change={change} onLeave={() => setOpen('')} />
      )}
    </section>
  );
}
