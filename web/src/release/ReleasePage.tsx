import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { documentQuery } from '../api/queries';
import { useCurrent } from '../app/current';
import { figureAsked } from '../help/asked';
import { Failure } from '../ui/Failure';
import { IntakePanel } from './IntakePanel';
import { Spread } from './Spread';
import { Toolbar } from './Toolbar';
import { useReleaseView } from './useReleaseView';
import { useRows, type Row } from './useRows';
import { WhyPanel } from './WhyPanel';

const BatchPanel = lazy(() => import('../batch/BatchPanel'));

export function ReleasePage() {
  const { me, route } = useCurrent();
  const view = useReleaseView();
  const { rows, groups, summary, loading, error, begins, look, readAll } = useRows(view);
  const [fixing, setFixing] = useState<string | null>(null);
  const navigate = useNavigate();
  // The first row of all, or one that is too far away to be among those that are read.
  const away = useQuery({
    ...documentQuery(view.document ?? 0),
    enabled: view.document !== null && !loading && rows.every((row) => row.id !== view.document),
  }).data?.document;
  const rowOf = (id: number | null) =>
    rows.find((row) => row.id === id) ??
    (away !== undefined && away.id === id ? away : begins ? undefined : rows[0]);
  const selected = rowOf(view.document);
  const selectedNow = () => rowOf(view.documentNow());
  const states = summary.data?.states ?? [];
  const open = (row: Row) => void navigate(`/documents/${row.id}?route=${route.code}`);
  // A figure that one is on is asked rather than the row.
  useHotkeys('w', () => figureAsked() ?? view.open(view.panel === 'why' ? 'none' : 'why'), {
    enabled: me.seesBooks,
  });
  useHotkeys(
    'f',
    (event) => {
      event.preventDefault();
      setFixing(selectedNow()?.cause ?? null);
    },
    { enabled: me.mayChange },
  );
  useHotkeys('esc', () => {
    view.setChosen(new Set());
  });

  return (
    <div
      className={`grid min-h-0 flex-1 gap-3.5 ${view.panel === 'none' || !me.seesBooks ? '' : 'grid-cols-[minmax(0,1fr)_330px] max-[1100px]:grid-cols-[minmax(0,1fr)_250px] max-[700px]:grid-cols-[minmax(0,1fr)] max-[700px]:grid-rows-[minmax(0,3fr)_minmax(0,2fr)] min-[1700px]:grid-cols-[minmax(0,1fr)_460px]'}`}
    >
      {!(view.panel === 'batch' && view.dry) && (
        <section aria-label="Documents" className="sheet flex min-h-0 flex-col rounded-b-none border-b-0">
          <Toolbar view={view} states={states} rows={rows} at={() => selectedNow()?.id} />
          {error && <Failure error={error} />}
          <Spread
            view={view}
            rows={rows}
            causes={groups}
            readAll={readAll}
            states={states}
            selected={selected?.id}
            selectedNow={() => selectedNow()?.id}
            fixing={fixing}
            loading={loading || summary.isPending}
            onFix={setFixing}
            onOpen={open}
            begins={begins}
            onLook={look}
          />
        </section>
      )}
      {view.panel === 'why' && me.seesBooks && <WhyPanel row={selected} onClose={() => view.open('none')} />}
      {view.panel === 'batch' && (
        <Suspense fallback={null}>
          <BatchPanel view={view} />
        </Suspense>
      )}
      {view.panel === 'intake' && <IntakePanel onClose={() => view.open('why')} />}
    </div>
  );
}
