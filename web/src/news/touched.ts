import { useSyncExternalStore } from 'react';
import type { Told } from './told';

/** Who is no person, and whose changes one expects. */
const ITSELF = 'Alcabala';
const JUST_NOW = 60_000;

/** What others changed a moment ago, by topic and id. */
let touched: ReadonlyMap<string, string> = new Map();
const watching = new Set<() => void>();

const set = (next: ReadonlyMap<string, string>) => {
  touched = next;
  watching.forEach((each) => each());
};

export function touch({ topic, ids, who }: Told, me: string) {
  if (who === undefined || who === me || who.startsWith(ITSELF) || ids.length === 0) {
    return;
  }
  const keys = ids.map((id) => `${topic} ${id}`);
  set(new Map([...touched, ...keys.map((key): [string, string] => [key, who])]));
  setTimeout(() => set(new Map([...touched].filter(([key]) => !keys.includes(key)))), JUST_NOW);
}

const watch = (listener: () => void) => {
  watching.add(listener);
  return () => void watching.delete(listener);
};

/** Says of what was changed by somebody else just now by whom that was. */
export function useTouched(topic: Told['topic']): (id: string | number) => string | undefined {
  const all = useSyncExternalStore(watch, () => touched);
  return (id) => {
    const who = all.get(`${topic} ${id}`);
    return who === undefined ? undefined : `changed by ${who} just now`;
  };
}
