import { useState } from 'react';

/** What was there last about the same thing, while it is asked for anew, or cannot be had. */
export function useLast<T>(now: T | undefined, about: string): T | undefined {
  const [last, setLast] = useState<{ about: string; what: T }>();
  if (now !== undefined && (last?.what !== now || last.about !== about)) {
    setLast({ about, what: now });
  }
  return now ?? (last?.about === about ? last.what : undefined);
}
