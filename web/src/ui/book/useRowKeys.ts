import { useHotkeys } from 'react-hotkeys-hook';

interface Options {
  enabled: boolean;
  keys: string[];
  /** The row that one is at, asked for at the moment of the key: another key may have come before the screen followed. */
  at: () => string | undefined;
  /** How many rows fit on the screen. */
  screenful: () => number;
  onAt: (key: string) => void;
  /** Where not all is read: to the first row of all, or to the last. */
  onEdge?: ((last: boolean) => void) | undefined;
  onOpen?: (key: string) => void;
  onToggle?: (key: string) => void;
  /** Both rows of a step are chosen. */
  onAdd?: (keys: string[]) => void;
}

const prevented = { preventDefault: true };
/** A button or a field has its own Enter and Space. */
const outside = {
  ignoreEventWhen: (event: KeyboardEvent) =>
    event.target instanceof HTMLElement &&
    event.target.closest('button, a, input, select, textarea') !== null,
};

/** `j` and `k` and their sisters: from row to row, choosing and opening. */
export function useRowKeys(options: Options) {
  const { enabled, keys, at, screenful, onAt, onEdge, onOpen, onToggle, onAdd } = options;
  const placed = (step: number) => {
    const place = Math.max(0, keys.indexOf(at() ?? ''));
    return keys[Math.min(Math.max(place + step, 0), keys.length - 1)];
  };
  const go = (key: string | undefined) => key !== undefined && onAt(key);
  const reach = (step: number) => {
    const key = placed(step);
    const from = at();
    if (key !== undefined && from !== undefined) {
      onAdd?.([from, key]);
      onAt(key);
    }
  };
  const on = { ...prevented, enabled };
  useHotkeys('j,down', () => go(placed(1)), on);
  useHotkeys('k,up', () => go(placed(-1)), on);
  useHotkeys('pagedown', () => go(placed(screenful())), on);
  useHotkeys('pageup', () => go(placed(-screenful())), on);
  useHotkeys('home', () => (onEdge ? onEdge(false) : go(keys[0])), on);
  useHotkeys('end', () => (onEdge ? onEdge(true) : go(keys.at(-1))), on);
  const choosing = { ...on, enabled: enabled && onAdd !== undefined };
  useHotkeys('shift+j,shift+down', () => reach(1), choosing);
  useHotkeys('shift+k,shift+up', () => reach(-1), choosing);
  useHotkeys('x', () => onToggle?.(at() ?? ''), { enabled: enabled && onToggle !== undefined });
  useHotkeys('enter', () => onOpen?.(at() ?? ''), {
    ...outside,
    enabled: enabled && onOpen !== undefined,
  });
}
