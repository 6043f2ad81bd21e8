import { useState } from 'react';
import { useSession } from '../app/current';

const STORE = 'alcabala-walked';

/** A short note for the first visit, which can be put away for good. */
export function WalkTheRoad() {
  const { me } = useSession();
  const [shown, setShown] = useState(localStorage.getItem(STORE) !== 'yes');
  if (!shown || !me.seesBooks) {
    return null;
  }
  return (
    <div className="border-base-300 bg-base-200 flex items-center gap-4 border-b px-4 py-2 text-[13px]">
      <p>
        <b>Walk the road.</b> Put each cause right once, here or on Map; the documents that shared it are
        released together. Then make a batch of what is ready, send it, and look at both sides.
      </p>
      <button
        type="button"
        className="act ml-auto"
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
