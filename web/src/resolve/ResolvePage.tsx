import { useQuery } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { useLast } from '../batch/useLast';
import { Failure } from '../ui/Failure';
import { Causes } from './Causes';
import { HeldPane } from './HeldPane';
import { partiesQuery } from './parties';
import { PartyPane } from './PartyPane';
import { heldQuery } from './queries';
import { RunsFailed } from './RunsFailed';

/** Where trouble lies: what was sent and does not stand as it should, by cause, and what can be done about each. */
export function ResolvePage() {
  const { route } = useCurrent();
  const view = useView();
  const query = useQuery(heldQuery(route.code));
  const held = useLast(query.data, route.code);
  const asked = useLast(useQuery(partiesQuery(route.code)).data, route.code) ?? [];
  const causes = held?.causes ?? [];
  const party =
    asked.find((each) => each.cause === view.get('cause')) ?? (causes.length === 0 ? asked[0] : undefined);
  const cause = party ? undefined : (causes.find((each) => each.cause === view.get('cause')) ?? causes[0]);
  const at = (party ?? cause)?.cause ?? '';
  const listed = party ? party.parties.length : (cause?.records.length ?? 1);
  const place = Math.min(Number(view.get('place')) || 0, Math.max(0, listed - 1));
  const onPlace = (to: number) => view.set({ place: to === 0 ? null : String(to) });
  const open = (to: string) => view.set({ cause: to, place: null });
  const step = (by: number) => {
    const all = [...causes, ...asked];
    const to = all[all.findIndex((each) => each.cause === at) + by];
    if (to) {
      open(to.cause);
    }
  };
  useHotkeys('j', () => step(1));
  useHotkeys('k', () => step(-1));
  if (!held) {
    return query.error ? <Failure error={query.error} /> : <p className="soft">Looking…</p>;
  }
  const failed = held.failedRuns && <RunsFailed runs={held.failedRuns} route={route.code} />;
  if (!cause && !party) {
    return (
      <>
        {failed}
        <section aria-label="Resolve" className="sheet rounded-b-none border-b-0 p-8">
          <h1 className="title mb-2 text-[20px]">
            {held.failedRuns ? 'Both sides agreed when they were last fetched' : 'Both sides agree'}
          </h1>
          <p className="soft max-w-[640px]">
            Nothing that was sent is refused, unanswered, or was changed since. What keeps records from being
            sent at all is on Release.
          </p>
        </section>
      </>
    );
  }
  return (
    <>
      {failed}
      <div className="grid min-h-0 flex-1 grid-cols-[330px_minmax(0,1fr)] gap-3.5 max-[900px]:grid-cols-[minmax(0,1fr)] max-[900px]:overflow-auto">
        <Causes held={held} parties={asked} at={at} sides={route} onOpen={open} />
        {cause && <HeldPane key={cause.cause} cause={cause} place={place} onPlace={onPlace} />}
        {party && <PartyPane key={party.cause} cause={party} place={place} onPlace={onPlace} />}
      </div>
    </>
  );
}
