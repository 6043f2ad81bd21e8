import { useEffect, useRef } from 'react';

const CALM = 120;
/** Two frames without another wish are calm. */
const FRAMES = 34;

/**
 * Acts at once, and after that only once it has been calm for a moment, on what was wanted last. To want the same again
 * disturbs no calm.
 */
export function useCalmly<T>(act: (wanted: T) => void): (wanted: T) => void {
  const latest = useRef(act);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const acted = useRef(-Infinity);
  const awaited = useRef<T>(undefined);
  useEffect(() => {
    latest.current = act;
  });
  useEffect(() => () => clearTimeout(timer.current), []);
  return (wanted) => {
    const now = performance.now();
    const wait = acted.current + CALM - now;
    if (wanted === awaited.current && wait > 0) {
      return;
    }
    awaited.current = wanted;
    acted.current = now;
    clearTimeout(timer.current);
    if (wait <= 0) {
      latest.current(wanted);
    } else {
      timer.current = setTimeout(() => latest.current(wanted), FRAMES);
    }
  };
}
