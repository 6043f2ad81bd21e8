import { useRef } from 'react';

interface Options {
  keys: string[];
  /** As it is at this moment: a key may follow another before the screen has caught up. */
  chosenNow: () => Set<string>;
  onChoose: (chosen: Set<string>) => void;
}

/** Choosing rows one by one, and from one to another. */
export function useRange({ keys, chosenNow, onChoose }: Options) {
  const anchor = useRef<string | null>(null);
  const toggle = (key: string) => {
    const next = new Set(chosenNow());
    if (!next.delete(key)) {
      next.add(key);
    }
    anchor.current = key;
    onChoose(next);
  };
  const add = (more: string[]) => onChoose(new Set([...chosenNow(), ...more]));
  /** All from the one that was chosen last, if it still is, to this one. */
  const reach = (key: string) => {
    const from = anchor.current !== null && chosenNow().has(anchor.current) ? anchor.current : key;
    anchor.current = key;
    add(reached(keys, from, key));
  };
  return { toggle, add, reach };
}

/** All from the one to the other, whichever comes first; nothing where one of them is not there. */
export function reached(keys: string[], from: string, to: string): string[] {
  const places = [keys.indexOf(from), keys.indexOf(to)].sort((one, other) => one - other);
  const [first = -1, last = -1] = places;
  return first < 0 ? [] : keys.slice(first, last + 1);
}
