import type { Schemas } from '../api/client';
import { moment } from '../ui/format';

export type Run = Schemas['RunJson'];
export type Schedule = Schemas['ScheduleJson'];
export type Figure = Schemas['RunFigure'];
export type Weekday = Schedule['days'][number];

export const WEEK: Weekday[] = ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY', 'SUNDAY'];

const short = (day: Weekday) => day.charAt(0) + day.slice(1, 3).toLowerCase();

/** `every day`, `Mon to Fri`, `Tue, Sat`. */
export function daysSaid(days: readonly Weekday[]): string {
  const places = WEEK.flatMap((day, place) => (days.includes(day) ? [place] : []));
  const first = places[0] ?? 0;
  const last = places.at(-1) ?? 0;
  if (places.length === WEEK.length) {
    return 'every day';
  }
  return places.length > 2 && last - first === places.length - 1
    ? `${short(WEEK[first] ?? 'MONDAY')} to ${short(WEEK[last] ?? 'MONDAY')}`
    : places.map((place) => short(WEEK[place] ?? 'MONDAY')).join(', ');
}

const UNITS = [
  { name: 'week', minutes: 7 * 24 * 60 },
  { name: 'day', minutes: 24 * 60 },
  { name: 'hour', minutes: 60 },
  { name: 'minute', minutes: 1 },
] as const;

export type Unit = (typeof UNITS)[number]['name'];

/** In the largest unit that it is a whole number of. */
export function interval(minutes: number): { count: number; unit: Unit } {
  const unit = UNITS.find((each) => minutes % each.minutes === 0) ?? UNITS[3];
  return { count: minutes / unit.minutes, unit: unit.name };
}

export const minutesOf = (count: number, unit: Unit): number =>
  count * (UNITS.find((each) => each.name === unit)?.minutes ?? 1);

/** `every 30 minutes`, `every day`. */
export function intervalSaid(minutes: number): string {
  const { count, unit } = interval(minutes);
  return count === 1 ? `every ${unit}` : `every ${count} ${unit}s`;
}

/** What a figure of a run counts. */
export function figureSaid(what: string, sides: { source: string; ledger: string }): string {
  switch (what) {
    case 'NEW':
      return 'Taken in';
    case 'CHANGED_ON_SOURCE':
      return `Changed in ${sides.source}`;
    case 'WRITTEN_TO_SOURCE':
      return `Told to ${sides.source}`;
    case 'WRITTEN_TO_LEDGER':
      return `Told to ${sides.ledger}`;
    case 'CREATED_IN_SOURCE':
      return `Created in ${sides.source}`;
    case 'NOT_TAKEN_BY_SOURCE':
      return `Not taken by ${sides.source}`;
    case 'NOT_TAKEN_BY_LEDGER':
      return `Not taken by ${sides.ledger}`;
    case 'PAID_ON_LEDGER':
      return `Paid in ${sides.ledger}`;
    case 'CHANGED_ON_LEDGER':
      return `Changed in ${sides.ledger}`;
    case 'AGREES_AGAIN':
      return 'Agree again';
    case 'LEDGER_STANDS':
      return `Stand as in ${sides.ledger}`;
    case 'OPENED_AGAIN':
      return 'Open again';
    case 'POSTED':
      return 'Sent and posted';
    case 'REFUSED':
      return `Sent, refused by ${sides.ledger}`;
    case 'UNREACHED':
      return 'Sent, not reached';
    case 'UNCONFIRMED':
      return 'Sent, without an answer';
    case 'QUEUED':
    case 'SENDING':
      return 'On the way';
    default:
      return what.charAt(0) + what.slice(1).toLowerCase().replaceAll('_', ' ');
  }
}

/** `3 s`, `2 min 5 s`; empty while it runs. */
export function tookSaid(run: Pick<Run, 'startedAt' | 'finishedAt'>): string {
  if (!run.finishedAt) {
    return '';
  }
  const seconds = Math.max(0, Math.round((Date.parse(run.finishedAt) - Date.parse(run.startedAt)) / 1000));
  return seconds < 60 ? `${seconds} s` : `${Math.floor(seconds / 60)} min ${seconds % 60} s`;
}

/** What is odd about how a run came about; empty where nothing is. */
export function oddSaid(run: Run): string {
  const parts: string[] = [];
  if (run.missed > 0) {
    parts.push(
      `stands for ${run.missed} more that ${run.missed === 1 ? 'was' : 'were'} planned and did not take place`,
    );
  }
  if (run.resumed > 0) {
    parts.push(
      `gone on with ${run.resumed === 1 ? 'once' : `${run.resumed} times`} after its server had ended`,
    );
  }
  return parts.join('; ');
}

/** What a run is of; empty for a whole route. */
export function ofSaid(run: Pick<Run, 'carried' | 'records' | 'number'>): string {
  if (run.records > 0) {
    return run.records === 1 ? run.number : `${run.number} and ${run.records - 1} more`;
  }
  return run.carried ? carriedSaid(run.carried) : '';
}

const carriedSaid = (carried: NonNullable<Run['carried']>) =>
  carried.charAt(0) + carried.slice(1).toLowerCase().replaceAll('_', ' ');

/** A planned moment, which has no seconds. */
export const plannedSaid = (iso: string): string => moment(iso).replace(/:\d\d$/, '');

/** The same moment some minutes later. */
export const later = (iso: string, minutes: number): string =>
  new Date(Date.parse(iso) + minutes * 60_000).toISOString();
