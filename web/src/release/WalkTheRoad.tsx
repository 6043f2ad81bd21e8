import { useState } from 'react';
import { useSession } from '../app/current';

const WALK =
  'Put each cause right once: what shared it is released. Then make a batch, send it, and look at both sides.';
const STORE = 'alcabala-walked';

/** A short note for the first visit, which can be put away for good. */
export function WalkTheRoad() {
  const { me } = useSession();
  const [shown, setShown] = useState(localStorage.getItem(STORE) !== 'yes');
  if (!shown || !me.seesBooks) {
    return null;
  }
  return (
    <div className="no-print border-base-300 bg-base-200 flex items-center gap-4 border-b px-3 py-0.5 text-[13px]">
      <p className="truncate" title={WALK}>
        <b>Walk the road.</b> {WALK}
      </p>
      <button
        type="button"
        className="ml-auto shrink-0 cursor-pointer underline"
        onClick={() => {
          localStorage.setItem(STORE, 'yes');
          setShown(false);
        }}
      >
        Put it away
      </button>
    </div>
  );
}
