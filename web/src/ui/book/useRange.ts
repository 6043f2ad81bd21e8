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
  /** All from the one that was chosen last to this one. */
  const reach = (key: string) => {
    const from = keys.indexOf(anchor.current ?? key);
    const to = keys.indexOf(key);
    if (from < 0 || to < 0) {
      toggle(key);
      return;
    }
    const between = keys.slice(Math.min(from, to), Math.max(from, to) + 1);
    onChoose(new Set([...chosenNow(), ...between]));
  };
  return { toggle, reach };
}
