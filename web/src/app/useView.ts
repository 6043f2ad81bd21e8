import { useCallback, useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';

interface How {
  /** The way back does not lead through what was shown before. */
  replace?: boolean;
  /** It is shown before the next key is heard, which acts on what is shown. */
  atOnce?: boolean;
}

/**
 * The view as the address bar holds it. Setting null or an empty text takes a part away. A key may follow another
 * before the screen has caught up, so what acts on a key asks for how it is `now`.
 */
export function useView() {
  const [params, setParams] = useSearchParams();
  const latest = useRef(params);
  // What was set and the screen has not shown yet, the oldest first.
  const ahead = useRef<string[]>([]);
  useEffect(() => {
    const shown = ahead.current.lastIndexOf(params.toString());
    ahead.current = shown < 0 ? [] : ahead.current.slice(shown + 1);
    if (ahead.current.length === 0) {
      latest.current = params;
    }
  }, [params]);
  const set = useCallback(
    (changes: Record<string, string | null>, { replace = false, atOnce = false }: How = {}) => {
      const next = new URLSearchParams(latest.current);
      for (const [name, value] of Object.entries(changes)) {
        if (value) {
          next.set(name, value);
        } else {
          next.delete(name);
        }
      }
      if (next.toString() !== latest.current.toString()) {
        ahead.current.push(next.toString());
      }
      latest.current = next;
      setParams(next, { replace, flushSync: atOnce });
    },
    [setParams],
  );
  const now = useCallback((name: string) => latest.current.get(name) ?? '', []);
  return { get: (name: string) => params.get(name) ?? '', now, set, search: params.toString() };
}
