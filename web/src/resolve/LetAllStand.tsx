import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, ApiError, client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { AskedFirst } from '../ui/AskedFirst';
import { moneys, plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import type { HeldCause, HeldRecord } from './queries';

/** One answer for all that share a cause: the ledger's stands. What changed meanwhile is left, and said. */
export function LetAllStand({ cause }: { cause: HeldCause }) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const [asked, setAsked] = useState(false);
  const [done, setDone] = useState(0);
  const stand = useMutation({
    mutationFn: async () => {
      setDone(0);
      let left = 0;
      for (const record of cause.records) {
        left += (await letStand(record)) ? 0 : 1;
        setDone((before) => before + 1);
      }
      return left;
    },
    onSuccess: (left) => {
      setAsked(false);
      const stands = cause.records.length - left;
      notice({
        tone: left > 0 ? 'failed' : 'done',
        text: `${plural(stands, 'record')} ${stands === 1 ? 'stands' : 'stand'} as ${route.ledger} has them${
          left > 0 ? `; ${left} changed meanwhile and were left` : ''
        }`,
      });
    },
    onSettled: refresh,
  });
  return (
    <AskedFirst
      button={`Let ${route.ledger}’s stand for all ${cause.records.length}`}
      asked={asked}
      onAsked={setAsked}
      says="Let them stand"
      doing={stand}
      onDo={() => stand.mutate()}
    >
      {stand.isPending
        ? `${done} of ${cause.records.length}…`
        : `${plural(cause.records.length, 'record')} of ${moneys(cause.sums)}: ${givesUp(cause.cause, route)}.`}
    </AskedFirst>
  );
}

/** What is lost by it. */
const givesUp = (cause: string, { source, ledger }: { source: string; ledger: string }) =>
  cause === 'changed-there'
    ? `what was changed in ${ledger} is agreed, and ${source} keeps what it has`
    : `what was changed in ${source} does not go to ${ledger}`;

/** Whether it could be: another change since it was looked at is looked at first. */
async function letStand(record: HeldRecord): Promise<boolean> {
  try {
    await answer(
      client.POST('/api/documents/{id}/settlement', {
        params: { path: { id: record.id } },
        body: { winner: 'LEDGER', ledgerVersion: record.ledgerVersion },
      }),
    );
    return true;
  } catch (error) {
    if (error instanceof ApiError && error.status === 409) {
      return false;
    }
    throw error;
  }
}
