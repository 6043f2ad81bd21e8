import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { DayField } from '../ui/DayField';
import { Failure } from '../ui/Failure';
import { counted, day, plural } from '../ui/format';

/** Records a minute. */
const PACES = [60, 300, 600, 3000] as const;
const USUAL = 600;

interface Props {
  since: string;
  preview: Schemas['LoadPreviewJson'] | undefined;
  onSince: (since: string) => void;
}

/** From which day, how fast, and go. */
export function BeginLoad({ since, preview, onSince }: Props) {
  const { me, route } = useCurrent();
  const refresh = useRefresh();
  const [perMinute, setPerMinute] = useState<number>(USUAL);
  const ready = preview?.ready ?? 0;
  const begin = useMutation({
    mutationFn: () =>
      answer(client.POST('/api/loads', { body: { route: route.code, since, perMinute, ready } })),
    onSuccess: refresh,
  });
  return (
    <form
      aria-label="Begin"
      className="border-base-300 flex flex-wrap items-end gap-4 border-b px-4 py-2 text-[13px]"
      onSubmit={(event) => {
        event.preventDefault();
        begin.mutate();
      }}
    >
      <DayField label="From this day on" day={since} onDay={(next) => next !== undefined && onSince(next)} />
      <label className="flex flex-col gap-1">
        At most
        <select
          className="field w-48"
          value={perMinute}
          onChange={(event) => setPerMinute(Number(event.target.value))}
        >
          {PACES.map((pace) => (
            <option key={pace} value={pace}>
              {counted(pace)} records a minute
            </option>
          ))}
        </select>
      </label>
      {me.mayChange && preview?.refusal === '' && (
        <button type="submit" className="act act-main" disabled={ready === 0 || begin.isPending}>
          {ready === 0
            ? 'Nothing of it is ready'
            : `Send the ${plural(ready, 'record')} that ${ready === 1 ? 'is' : 'are'} ready, since ${day(since)}`}
        </button>
      )}
      {preview !== undefined && preview.refusal !== '' && <p className="text-accent">{preview.refusal}</p>}
      {begin.error && <Failure error={begin.error} />}
    </form>
  );
}
