import type { QueryKey } from '@tanstack/react-query';

export type Topic = 'RECORDS' | 'CROSSWALK' | 'BATCHES' | 'WORK' | 'PULLS' | 'SETTINGS';

/** That something changed; never what it says now. */
export interface Told {
  topic: Topic;
  route?: string;
  /** What changed; empty for many. */
  ids: string[];
  who?: string;
}

const TOPICS: readonly string[] = ['RECORDS', 'CROSSWALK', 'BATCHES', 'WORK', 'PULLS', 'SETTINGS'];

/** What was heard, if it can be understood. */
export function understood(text: string): Told | undefined {
  try {
    const said = JSON.parse(text) as Partial<Told>;
    return TOPICS.includes(said.topic ?? '') && Array.isArray(said.ids) ? (said as Told) : undefined;
  } catch {
    return undefined;
  }
}

/** Whether what is shown under this key has to be asked for again. */
export function concerns(told: Told, key: QueryKey): boolean {
  const [what, kind, subject] = key;
  switch (told.topic) {
    case 'RECORDS':
      return what === 'documents'
        ? concernsDocuments(told, kind, subject)
        : ((what === 'road' || what === 'held' || what === 'log') && isOn(told, kind)) ||
            (what === 'batches' && kind === 'waiting');
    case 'CROSSWALK':
      return (what === 'map' || what === 'choices') && isOn(told, kind);
    case 'BATCHES':
      return what === 'batch'
        ? isAmong(told, kind)
        : what === 'batches' || what === 'road' || what === 'held' || what === 'log';
    case 'WORK':
      return what === 'work' || (what === 'connect' && kind === 'runs');
    case 'PULLS':
      return what === 'connect' && (kind === 'pulls' || kind === 'all' || kind === 'setup');
    case 'SETTINGS':
      return ['connect', 'routes', 'road', 'people', 'trail', 'held'].includes(String(what)) && !isDear(kind);
  }
}

/** What asks outside systems is asked for when somebody wants to know. */
const isDear = (kind: unknown) => kind === 'counts' || kind === 'numbers';

const ONE = ['one', 'why', 'trail'];

function concernsDocuments(told: Told, kind: unknown, subject: unknown): boolean {
  if (ONE.includes(String(kind))) {
    return isAmong(told, subject);
  }
  const query = subject as { route?: string } | string | undefined;
  return typeof query !== 'object' || isOn(told, query.route);
}

const isOn = (told: Told, route: unknown) => told.route === undefined || told.route === route;
const isAmong = (told: Told, id: unknown) => told.ids.length === 0 || told.ids.includes(String(id));
