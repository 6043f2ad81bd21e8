import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { client, postFiles, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { useSession } from '../app/current';
import { Failure } from '../ui/Failure';
import type { CutOver } from './queries';

interface Props {
  route: Schemas['RouteJson'];
  last: CutOver | null | undefined;
  /** What is said beside it. */
  said: string;
}

/** The ledger is asked what was open at the end of a day. */
export function ByAsking({ route, last, said }: Props) {
  const { me } = useSession();
  const refresh = useRefresh();
  const [chosenDay, setDay] = useState<string>();
  const day = chosenDay ?? last?.day ?? '';
  const ask = useMutation({
    mutationFn: () => workDone(client.POST('/api/cut-over', { body: { route: route.code, day } })),
    onSettled: refresh,
  });
  return (
    <>
      <form
        className="border-base-300 flex flex-wrap items-end gap-3 border-b px-4 py-2"
        onSubmit={(event) => {
          event.preventDefault();
          ask.mutate();
        }}
      >
        <label className="flex flex-col gap-[2px] text-[12px]">
          <span className="soft">At the end of</span>
          <input
            type="date"
            className="field"
            value={day}
            onChange={(event) => setDay(event.target.value)}
            required
          />
        </label>
        {me.mayChange && (
          <button
            type="submit"
            className={`act ${last ? '' : 'act-main'}`}
            disabled={ask.isPending || day === ''}
          >
            {ask.isPending ? `Asking ${route.ledger}…` : 'Compare both sides'}
          </button>
        )}
        <p className="soft min-w-0 flex-1 pb-1 text-[13px]">{said}</p>
      </form>
      {ask.error && <Failure error={ask.error} />}
      {!last && !ask.error && <p className="soft p-4">Choose the day, and compare both sides.</p>}
    </>
  );
}

/** The ledger cannot be asked, and wrote it into a file. */
export function ByFile({ route, last, said }: Props) {
  const { me } = useSession();
  const refresh = useRefresh();
  const input = useRef<HTMLInputElement>(null);
  const take = useMutation({
    mutationFn: (file: File) =>
      postFiles<CutOver>(`/api/cut-over/file?route=${encodeURIComponent(route.code)}`, [file]),
    onSuccess: refresh,
  });
  const takeFirst = (files: FileList | null) => {
    const file = files?.[0];
    if (file && me.mayChange) {
      take.mutate(file);
    }
  };
  return (
    <div
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        takeFirst(event.dataTransfer.files);
      }}
    >
      <div className="border-base-300 flex flex-wrap items-center gap-3 border-b px-4 py-2">
        {me.mayChange && (
          <>
            <input
              ref={input}
              type="file"
              hidden
              accept=".csv,.txt"
              aria-label={`What stood in ${route.ledger}`}
              onChange={(event) => {
                takeFirst(event.target.files);
                event.target.value = '';
              }}
            />
            <button
              type="button"
              className={`act ${last ? '' : 'act-main'}`}
              disabled={take.isPending}
              onClick={() => input.current?.click()}
            >
              {take.isPending ? 'Reading it…' : `Take in what stood in ${route.ledger}`}
            </button>
          </>
        )}
        <p className="soft min-w-0 flex-1 text-[13px]">{said}</p>
      </div>
      {take.error && <Failure error={take.error} />}
      {!last && !take.error && (
        <p className="soft p-4">
          {route.ledger} cannot be asked. Let it write what stood at the end of the day into a file, and take
          that in here; it can be dropped on this page.
        </p>
      )}
    </div>
  );
}
