import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/** The view as the address bar holds it. Setting null or an empty text takes a part away. */
export function useView() {
  const [params, setParams] = useSearchParams();
  const set = useCallback(
    (changes: Record<string, string | null>, replace = false) =>
      setParams(
        (before) => {
          const next = new URLSearchParams(before);
          for (const [name, value] of Object.entries(changes)) {
            if (value) {
              next.set(name, value);
            } else {
              next.delete(name);
            }
          }
          return next;
        },
        { replace },
      ),
    [setParams],
  );
  return { get: (name: string) => params.get(name) ?? '', set, search: params.toString() };
}
