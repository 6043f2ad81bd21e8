import { useCallback, useEffect, useRef, useState } from 'react';

export interface Chosen {
  codes: Set<string>;
  /** As they are at this moment: a key may follow another before the screen has caught up. */
  now: () => Set<string>;
  choose: (codes: Set<string>) => void;
}

/** Which codes of one crosswalk are chosen; another crosswalk begins with none. */
export function useChosen(kind: string): Chosen {
  const [held, setHeld] = useState({ kind, codes: new Set<string>() });
  const codes = held.kind === kind ? held.codes : NONE;
  const latest = useRef(codes);
  useEffect(() => {
    latest.current = codes;
  }, [codes]);
  const choose = useCallback(
    (next: Set<string>) => {
      latest.current = next;
      setHeld({ kind, codes: next });
    },
    [kind],
  );
  const now = useCallback(() => latest.current, []);
  return { codes, now, choose };
}

const NONE = new Set<string>();
