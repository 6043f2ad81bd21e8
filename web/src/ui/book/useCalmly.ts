import { useEffect, useRef } from 'react';

const CALM = 120;

/** Acts at once, and after that only once it has been calm for a moment, on what was wanted last. */
export function useCalmly<T>(act: (wanted: T) => void): (wanted: T) => void {
  const latest = useRef(act);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const acted = useRef(-Infinity);
  useEffect(() => {
    latest.current = act;
  });
  useEffect(() => () => clearTimeout(timer.current), []);
  return (wanted) => {
    const now = performance.now();
    const wait = acted.current + CALM - now;
    acted.current = now;
    clearTimeout(timer.current);
    if (wait <= 0) {
      latest.current(wanted);
    } else {
      timer.current = setTimeout(() => latest.current(wanted), CALM / 2);
    }
  };
}
