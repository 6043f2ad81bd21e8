import { useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { DoOrLeave } from '../ui/DoOrLeave';
import { WallTimeField } from '../ui/WallFields';
import type { ScheduleChange } from './ScheduleStrip';
import { Weekdays } from './Weekdays';
import { daysSaid, type Schedule, type Weekday } from './words';

interface Props {
  route: Schemas['RouteJson'];
  schedule: Schedule;
  change: ScheduleChange;
  onLeave: () => void;
}

const FROM = '22:00';
const UNTIL = '06:00';

const short = (time: string) => time.slice(0, 5);

/** Hours in which a system wants to be left alone: a planned run waits for their end. */
export function QuietHours({ route, schedule, change, onLeave }: Props) {
  const [ledger, setLedger] = useState(true);
  const [days, setDays] = useState<Weekday[]>(['SUNDAY']);
  const [from, setFrom] = useState(FROM);
  const [until, setUntil] = useState(UNTIL);
  return (
    <div className="mt-2">
      <p className="soft text-[13px]">
        While a system is looked after, a planned run waits for the end of that. They hold for all routes of
        the system, in {schedule.zone}.
      </p>
      <ul className="my-1">
        {schedule.quiet.map((each) => (
          <li key={each.id} className="flex items-center gap-3 py-0.5">
            <span>
              <b>{each.side === 'LEDGER' ? route.ledger : route.source}</b>, {daysSaid(each.days)},{' '}
              {short(each.from)} to {short(each.until)}
              {short(each.until) <= short(each.from) && ' the next day'}
            </span>
            <button
              type="button"
              className="cursor-pointer underline"
              onClick={() =>
                change.mutate({
                  change: answer(
                    client.DELETE('/api/runs/quiet-hours/{id}', {
                      params: { path: { id: each.id }, query: { route: route.code } },
                    }),
                  ),
                  says: 'These hours are quiet no longer',
                })
              }
            >
              Take away
            </button>
          </li>
        ))}
      </ul>
      <form
        aria-label="Quiet hours"
        className="flex flex-wrap items-end gap-x-4 gap-y-2"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate({
            change: answer(
              client.POST('/api/runs/quiet-hours', {
                body: { route: route.code, ledger, days, from: `${from}:00`, until: `${until}:00` },
              }),
            ),
            says: 'These hours are quiet from now on',
          });
        }}
      >
        <label className="flex flex-col text-[13px]">
          Of
          <select
            className="field"
            value={ledger ? 'LEDGER' : 'SOURCE'}
            onChange={(event) => setLedger(event.target.value === 'LEDGER')}
          >
            <option value="LEDGER">{route.ledger}</option>
            <option value="SOURCE">{route.source}</option>
          </select>
        </label>
        <Weekdays days={days} onDays={setDays} />
        <WallTimeField label="From" value={FROM} onValue={(value) => setFrom(value ?? '')} />
        <WallTimeField label="Until" value={UNTIL} onValue={(value) => setUntil(value ?? '')} />
        <DoOrLeave
          says="Keep them quiet"
          disabled={days.length === 0 || from === '' || until === '' || change.isPending}
          onLeave={onLeave}
        />
      </form>
    </div>
  );
}
