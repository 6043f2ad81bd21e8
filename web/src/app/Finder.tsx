import { lazy, Suspense, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Key } from '../ui/Key';

const FoundField = lazy(() => import('./FoundField'));

const LABEL = 'Find a document, party, item or account';
const LOOK = 'border-base-content/60 w-60 border-b bg-transparent px-1 py-1';

/** Finds a document by any of its numbers on either side, or by its party; and parties, items and accounts. */
export function Finder() {
  const place = useRef<HTMLDivElement>(null);
  const [early, setEarly] = useState({ text: '', focused: false });
  useHotkeys('slash', (event) => {
    event.preventDefault();
    place.current?.querySelector('input')?.focus();
  });
  return (
    <div ref={place} className="ml-auto flex items-center gap-2 max-[700px]:hidden">
      <Suspense
        fallback={
          <input
            type="search"
            aria-label={LABEL}
            placeholder="Find a document, party or number"
            className={LOOK}
            value={early.text}
            onFocus={() => setEarly((now) => ({ ...now, focused: true }))}
            onBlur={() => setEarly((now) => ({ ...now, focused: false }))}
            onChange={(event) => setEarly({ text: event.target.value, focused: true })}
          />
        }
      >
        <FoundField label={LABEL} className={LOOK} early={early} />
      </Suspense>
      <Key>/</Key>
    </div>
  );
}
