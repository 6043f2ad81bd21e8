import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { amount, moment, plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import type { Banking } from './queries';
import { sendOf } from './SlipPanel';

const STANDS: Record<string, string> = {
  Blocked: 'is made, and held up',
  Ready: 'is made, and ready to go',
  Queued: 'is on its way',
  Unconfirmed: 'went, and is not confirmed yet',
  Posted: 'stands there',
  Refused: 'was refused',
  Diverged: 'was changed since it went',
};

/** What became of the banking that is open again. */
export function Made({ banking, isChanged }: { banking: Banking; isChanged: boolean }) {
  const { me, route } = useCurrent();
  const [withdrawing, setWithdrawing] = useState(false);
  return (
    <section aria-label="What became of it" className="flex flex-col gap-1">
      <p>
        <Link className="underline" to={`/documents/${banking.id}?route=${route.code}`}>
          {banking.number}
        </Link>
        {banking.revision > 1 && `, revision ${banking.revision},`} {STANDS[banking.state] ?? banking.state}
        {banking.batch !== undefined && (
          <>
            {' '}
            (
            <Link className="underline" to={`/send/${banking.batch}?route=${route.code}`}>
              batch {banking.batch}
            </Link>
            )
          </>
        )}
        .{' '}
        <span className="soft">
          Made by {banking.madeBy} on {moment(banking.madeAt)}.
        </span>
      </p>
      {banking.why !== '' && (
        <p className="soft">
          {Number(banking.difference) === 0
            ? `The slip says ${amount(banking.stated)}: `
            : `Cash differs by ${amount(banking.difference)}: `}
          {banking.why}
        </p>
      )}
      {banking.sentence !== '' && <p className="text-accent">{banking.sentence}</p>}
      {banking.wrong > 0 && (
        <p className="text-error">
          {plural(banking.wrong, 'receipt')} of it {banking.wrong === 1 ? 'was' : 'were'} voided, or come to
          another amount by now: correct it.
        </p>
      )}
      {me.mayChange && !isChanged && (
        <p className="flex gap-3">
          {(banking.state === 'Diverged' || banking.state === 'Refused') && (
            <Link className="underline" to={sendOf(route.code, banking.id)}>
              Send it again…
            </Link>
          )}
          {!withdrawing && (
            <button type="button" className="cursor-pointer underline" onClick={() => setWithdrawing(true)}>
              Withdraw it…
            </button>
          )}
        </p>
      )}
      {withdrawing && <Withdraw banking={banking} onLeave={() => setWithdrawing(false)} />}
    </section>
  );
}

function Withdraw({ banking, onLeave }: { banking: Banking; onLeave: () => void }) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const [why, setWhy] = useState('');
  const withdraw = useMutation({
    mutationFn: () =>
      answer(
        client.POST('/api/bankings/{id}/withdrawal', {
          params: { path: { id: banking.id } },
          body: { why, version: banking.version },
        }),
      ),
    onSuccess: async () => {
      await refresh();
      notice({ tone: 'done', text: `${banking.number} is withdrawn.` });
      onLeave();
    },
  });
  return (
    <form
      className="border-base-300 flex flex-col gap-2 rounded border p-2"
      onSubmit={(event) => {
        event.preventDefault();
        withdraw.mutate();
      }}
    >
      <p>
        {banking.batch === undefined
          ? `Its ${plural(banking.count, 'receipt')} wait to be banked again.`
          : `Send it again then: what stands in ${route.ledger} is taken back, and its ${plural(banking.count, 'receipt')} wait to be banked again.`}
      </p>
      <label className="flex flex-col gap-1">
        Why it is withdrawn
        <input
          className="field"
          autoFocus
          required
          maxLength={500}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
      </label>
      {withdraw.error && <Failure error={withdraw.error} />}
      <span className="flex gap-2">
        <button type="submit" className="act" disabled={why.trim() === '' || withdraw.isPending}>
          Withdraw it
        </button>
        <button type="button" className="cursor-pointer underline" onClick={onLeave}>
          Leave it
        </button>
      </span>
    </form>
  );
}
