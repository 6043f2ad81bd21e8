import type { ColumnSizingState, ColumnVisibilityState } from '@tanstack/react-table';
import { useEffect, useState } from 'react';

interface Kept {
  hidden: ColumnVisibilityState;
  widths: ColumnSizingState;
}

const STORE = 'alcabala-book';

/** Whatever else stands there was left by an older version, or by somebody's hand. */
function read(name: string, usual: ColumnVisibilityState): Kept {
  try {
    const kept = JSON.parse(localStorage.getItem(`${STORE} ${name}`) ?? '{}') as Partial<Kept>;
    return { hidden: { ...usual, ...kept.hidden }, widths: { ...kept.widths } };
  } catch {
    return { hidden: usual, widths: {} };
  }
}

/** Which columns of a list are shown, and how wide: as this browser had it last. */
export function useRemembered(name: string, usual: ColumnVisibilityState) {
  const [kept, setKept] = useState(() => read(name, usual));
  useEffect(() => {
    localStorage.setItem(`${STORE} ${name}`, JSON.stringify(kept));
  }, [name, kept]);
  return { kept, setKept };
}
