import { useState } from 'react';
import { answer, client } from '../api/client';
import { DoOrLeave } from '../ui/DoOrLeave';
import { today } from '../ui/format';
import { WallMomentField } from '../ui/WallFields';
import type { ScheduleChange } from './ScheduleStrip';
import { Weekdays } from './Weekdays';
import { interval, minutesOf, WEEK, type Schedule, type Unit } from './words';

interface Props {
  route: string;
  schedule: Schedule;
  change: ScheduleChange;
  onLeave: () => void;
}

const USUAL = 60;

/** From when on, how often and on which days a route runs by itself. */
export function ScheduleForm({ route, schedule, change, onLeave }: Props) {
  const usual = interval(schedule.everyMinutes || USUAL);
  const begins = (schedule.firstAt ?? `${today()}T08:00`).slice(0, 16);
  const [first, setFirst] = useState(begins);
  const [count, setCount] = useState(String(usual.count));
  const [unit, setUnit] = useState<Unit>(usual.unit);
  const [days, setDays] = useState(schedule.firstAt ? schedule.days : WEEK);
  const minutes = minutesOf(Number(count), unit);
  const fits = Number.isInteger(minutes) && minutes >= 5 && minutes <= minutesOf(4, 'week');
  return (
    <form
      aria-label="When it runs"
      className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate(
          {
            change: answer(
              client.PUT('/api/runs/schedule', {
                body: {
                  route,
                  firstAt: `${first}:00`,
                  everyMinutes: minutes,
                  days,
                  expectedVersion: schedule.version,
                },
              }),
            ),
            says: 'It runs by itself from now on',
          },
          { onSuccess: onLeave },
        );
      }}
    >
      <WallMomentField
        label={`First run, in ${schedule.zone}`}
        value={begins}
        onValue={(value) => setFirst(value ?? '')}
      />
      <label className="flex flex-col text-[13px]">
        Every
        <span className="flex gap-1">
          <input
            type="number"
            aria-label="How many"
            className="field w-20"
            min={1}
            value={count}
            onChange={(event) => setCount(event.target.value)}
          />
          <select
            aria-label="Of what"
            className="field"
            value={unit}
            onChange={(event) => setUnit(event.target.value as Unit)}
          >
            <option value="minute">minutes</option>
            <option value="hour">hours</option>
            <option value="day">days</option>
            <option value="week">weeks</option>
          </select>
        </span>
      </label>
      <Weekdays days={days} onDays={setDays} />
      <DoOrLeave
        says="Run so"
        disabled={!fits || days.length === 0 || first === '' || change.isPending}
        onLeave={onLeave}
      />
      {schedule.firstAt && (
        <button
          type="button"
          className="act"
          disabled={change.isPending}
          onClick={() =>
            change.mutate(
              {
                change: answer(client.DELETE('/api/runs/schedule', { params: { query: { route } } })),
                says: 'It runs by hand only from now on',
              },
              { onSuccess: onLeave },
            )
          }
        >
          By hand only
        </button>
      )}
      {!fits && (
        <p className="text-accent text-[13px]">
          Every 5 minutes at the most often, every 4 weeks at the least.
        </p>
      )}
    </form>
  );
}
