import { useMutation } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { counted, day, moment } from '../ui/format';
import type { Load } from './queries';

const STEPS = {
  stop: '/api/loads/{id}/stop',
  'go-on': '/api/loads/{id}/go-on',
  end: '/api/loads/{id}/end',
} as const;
type Step = keyof typeof STEPS;

/** How far a load has come, and what can be done about it; of one that has ended, what came and what did not. */
export function LoadUnderWay({ load }: { load: Load }) {
  const { me } = useCurrent();
  const refresh = useRefresh();
  const step = useMutation({
    mutationFn: (to: Step) => answer(client.POST(STEPS[to], { params: { path: { id: load.id } } })),
    onSuccess: refresh,
  });
  const came = load.posted + load.refused;
  const button = (to: Step, says: string, main = false) => (
    <button
      type="button"
      className={main ? 'act act-main' : 'act'}
      disabled={step.isPending}
      onClick={() => step.mutate(to)}
    >
      {says}
    </button>
  );
  return (
    <section
      aria-label="How far it has come"
      className="border-base-300 flex items-center gap-4 border-b px-4 py-2 text-[13px]"
    >
      <div className="min-w-0 flex-1">
        <p>
          <b>{headline(load)}</b> {counted(came)} of {counted(load.planned)} that were ready:{' '}
          {counted(load.posted)} posted
          {load.refused > 0 && <span className="text-error">, {counted(load.refused)} refused</span>}
          {load.state === 'DONE' && came < load.planned && `, ${counted(load.planned - came)} did not go`}.
        </p>
        {load.reason !== '' && <p className="text-accent">{load.reason}</p>}
        <progress
          aria-label="Sent of the load"
          className="progress progress-primary h-[8px] w-full"
          value={came}
          max={Math.max(load.planned, 1)}
        />
        <Batches load={load} />
      </div>
      {me.mayChange && (
        <span className="flex gap-2">
          {load.state === 'RUNNING' && button('stop', 'Stop it')}
          {load.state === 'STOPPED' && button('go-on', 'Go on', true)}
          {load.state === 'STOPPED' && button('end', 'End it here')}
        </span>
      )}
      {step.error && <Failure error={step.error} />}
    </section>
  );
}

function headline(load: Load): string {
  if (load.state === 'RUNNING') {
    return `Under way since ${moment(load.madeAt)}, begun by ${load.madeBy}.`;
  }
  return load.state === 'STOPPED'
    ? `Stopped, everything since ${day(load.since)}.`
    : `The last load, everything since ${day(load.since)}, ended ${moment(load.endedAt ?? load.madeAt)}.`;
}

const SHOWN = 12;

function Batches({ load }: { load: Load }) {
  const { route } = useCurrent();
  return load.batches.length === 0 ? null : (
    <p className="soft">
      Batches{' '}
      {load.batches.slice(0, SHOWN).map((batch, place) => (
        <span key={batch.id}>
          {place > 0 && ', '}
          <Link className="underline" to={`/send/${batch.id}?route=${route.code}`}>
            {batch.id}
          </Link>
          {batch.refused + batch.waiting > 0 && ` (${batch.refused + batch.waiting} to look at)`}
        </span>
      ))}
      {load.batches.length > SHOWN && ` and ${load.batches.length - SHOWN} before`}
    </p>
  );
}
