import { useState } from 'react';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { plural } from '../ui/format';
import type { Batch } from '../send/outcomes';
import { useSettle } from './useSettle';

/** Takes what nobody has answered for out of a batch, with what that means said first. */
export function Withdraw({ batch }: { batch: Batch }) {
  const { route } = useCurrent();
  const [asked, setAsked] = useState(false);
  const [reason, setReason] = useState('');
  const settle = useSettle(batch.id, () => setAsked(false));
  if (!asked) {
    return (
      <button type="button" className="act" onClick={() => setAsked(true)}>
        Withdraw…
      </button>
    );
  }
  return (
    <form
      aria-label="Withdraw"
      className="flex w-full flex-col gap-1 text-[13px]"
      onSubmit={(event) => {
        event.preventDefault();
        settle.mutate({ records: [], outcome: 'withdrawn', reason });
      }}
    >
      <p className="text-accent">
        {plural(batch.unconfirmed, 'document')} will be ready again, and can go with another file. Do this
        only if this one was not imported in {route.ledger}, or that was undone there; else they stand there
        twice.
      </p>
      <label className="flex flex-col gap-1">
        Why the file is of no use
        <input
          className="field"
          autoFocus
          maxLength={300}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      {settle.error && <Failure error={settle.error} />}
      <span className="flex gap-2">
        <button type="submit" className="act act-main" disabled={settle.isPending || reason.trim() === ''}>
          Withdraw {plural(batch.unconfirmed, 'document')}
        </button>
        <button type="button" className="act" onClick={() => setAsked(false)}>
          Leave it
        </button>
      </span>
    </form>
  );
}
