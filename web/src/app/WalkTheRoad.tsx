import { useState } from 'react';
import { useSession } from './current';

const WALK =
  'Put each cause right once: what shared it is released. Then make a batch, send it, and look at both sides.';
const STORE = 'alcabala-walked';

/** A short note for the first visit, in one line, which can be put away for good. */
export function WalkTheRoad() {
  const { me } = useSession();
  const [shown, setShown] = useState(localStorage.getItem(STORE) !== 'yes');
  if (!shown || !me.seesBooks) {
    return null;
  }
  return (
    <span className="flex min-w-0 items-center gap-3 max-[700px]:hidden">
      <span className="truncate" title={WALK}>
        <b>Walk the road.</b> {WALK}
      </span>
      <button
        type="button"
        className="shrink-0 cursor-pointer underline"
        onClick={() => {
          localStorage.setItem(STORE, 'yes');
          setShown(false);
        }}
      >
        Put it away
      </button>
    </span>
  );
}
