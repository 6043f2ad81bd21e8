import { useState } from 'react';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import type { Batch, Dispatch } from '../send/outcomes';
import { useSettle } from './useSettle';

/** For what no file tells: somebody has looked, and says what became of one document. */
export function SettleByHand({ batch, dispatch }: { batch: Batch; dispatch: Dispatch }) {
  const { route } = useCurrent();
  const [number, setNumber] = useState('');
  const [reason, setReason] = useState('');
  const settle = useSettle(batch.id);
  const records = [dispatch.documentId];
  return (
    <section
      aria-label="Settle by hand"
      className="border-base-300 flex flex-wrap items-center gap-x-6 gap-y-1 border-t px-4 py-2 text-[13px]"
    >
      <b>
        {dispatch.number}, as you found it in {route.ledger}:
      </b>
      <form
        className="flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          settle.mutate({ records, outcome: 'accepted', number });
        }}
      >
        <label className="flex items-center gap-2">
          it stands there as
          <input
            className="field w-28"
            maxLength={100}
            value={number}
            onChange={(event) => setNumber(event.target.value)}
          />
        </label>
        <button type="submit" className="act" disabled={settle.isPending || number.trim() === ''}>
          Accepted
        </button>
      </form>
      <form
        className="flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          settle.mutate({ records, outcome: 'refused', reason });
        }}
      >
        <label className="flex items-center gap-2">
          it was refused, because
          <input
            className="field w-56"
            maxLength={300}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
        </label>
        <button type="submit" className="act" disabled={settle.isPending || reason.trim() === ''}>
          Refused
        </button>
      </form>
      {settle.error && <Failure error={settle.error} />}
    </section>
  );
}
