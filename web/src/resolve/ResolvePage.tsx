import { useQuery } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { useLast } from '../batch/useLast';
import { Failure } from '../ui/Failure';
import { Causes } from './Causes';
import { HeldPane } from './HeldPane';
import { listedOf, placesOf, type Listed } from './listed';
import { lackingQuery } from './lacking';
import { LackingPane } from './LackingPane';
import { mastersQuery } from './masters';
import { MasterPane } from './MasterPane';
import { heldQuery } from './queries';
import { RunsFailed } from './RunsFailed';
import { WarningPane } from './WarningPane';
import { warningsQuery } from './warnings';

/** Where trouble lies, by cause, and what can be done about each. */
export function ResolvePage() {
  const { route } = useCurrent();
  const view = useView();
  const query = useQuery(heldQuery(route.code));
  const held = useLast(query.data, route.code);
  const masters = useLast(useQuery(mastersQuery(route.code)).data, route.code) ?? [];
  const lacking = useLast(useQuery(lackingQuery(route.code)).data, route.code) ?? [];
  const warnings = useLast(useQuery(warningsQuery(route.code)).data, route.code) ?? [];
  const causes = listedOf(held?.causes ?? [], masters, lacking, warnings, route);
  const cause = causes.find((each) => each.cause === view.get('cause')) ?? causes[0];
  const places = cause ? placesOf(cause) : 1;
  const place = Math.min(Number(view.get('place')) || 0, Math.max(0, places - 1));
  // An answer may follow in the same breath, and is for what was stepped to.
  const show = (changes: Record<string, string | null>) => view.set(changes, { atOnce: true });
  const open = (to: string) => show({ cause: to, place: null });
  const step = (by: number) => {
    const to = causes[causes.findIndex((each) => each.cause === cause?.cause) + by];
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
  if (!cause) {
    return (
      <>
        {failed}
        <section aria-label="Resolve" className="sheet rounded-b-none border-b-0 p-8">
          <h1 className="title mb-2 text-[20px]">
            {held.failedRuns ? 'Both sides agreed when they were last fetched' : 'Both sides agree'}
          </h1>
          <p className="soft max-w-[640px]">
            Nothing that was sent is refused, unanswered, or was changed since, and nothing that was right
            before it is sent has ceased to be. What was never mapped is asked on Release.
          </p>
        </section>
      </>
    );
  }
  return (
    <>
      {failed}
      <div className="grid min-h-0 flex-1 grid-cols-[330px_minmax(0,1fr)] gap-3.5 max-[900px]:grid-cols-[minmax(0,1fr)] max-[900px]:overflow-auto">
        <Causes causes={causes} sums={held.sums} at={cause.cause} failing={!!held.failedRuns} onOpen={open} />
        <Pane
          key={cause.cause}
          cause={cause}
          place={place}
          onPlace={(to) => show({ place: to === 0 ? null : String(to) })}
        />
      </div>
    </>
  );
}

interface PaneProps {
  cause: Listed;
  place: number;
  onPlace: (place: number) => void;
}

function Pane({ cause: { about }, place, onPlace }: PaneProps) {
  switch (about.kind) {
    case 'records':
      return <HeldPane cause={about.cause} place={place} onPlace={onPlace} />;
    case 'masters':
      return <MasterPane cause={about.cause} place={place} onPlace={onPlace} />;
    case 'lacking':
      return <LackingPane cause={about.cause} place={place} onPlace={onPlace} />;
    case 'warning':
      return <WarningPane warning={about.cause} />;
  }
}
