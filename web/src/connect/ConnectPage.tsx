import { useQuery } from '@tanstack/react-query';
import { connectQuery, setAsideQuery } from '../api/queries';
import { useSession } from '../app/current';
import { useView } from '../app/useView';
import { Failure } from '../ui/Failure';
import { AlertsPage } from '../alerts/AlertsPage';
import { CrossingPage } from '../crossing/CrossingPage';
import { CutOverPage } from '../cutover/CutOverPage';
import { LayoutsPage } from '../files/LayoutsPage';
import { ConsentSlip } from './ConsentSlip';
import { CountsView } from './CountsView';
import { LedgersPage } from './LedgersPage';
import { PeoplePage } from './PeoplePage';
import { ReadinessPage } from './ReadinessPage';
import { ReferencePage } from './ReferencePage';
import { RunsPage } from '../runs/RunsPage';
import { PractisePage } from '../practise/PractisePage';
import { practiseQuery } from '../practise/queries';
import { RoutesPage } from './RoutesPage';
import { SettingsPage } from '../settings/SettingsPage';
import { SetAsidePage } from './SetAsidePage';
import { SetupPage } from './SetupPage';
import { SourcesPage } from './SourcesPage';
import { TrailPage } from './TrailPage';
import { TROUBLES } from './troubles';

const VIEWS = [
  { view: 'first-steps', name: 'First steps' },
  { view: 'connections', name: 'Connections' },
  { view: 'crossing', name: 'What crosses' },
  { view: 'runs', name: 'Runs' },
  { view: 'alerts', name: 'Alerts' },
  { view: 'settings', name: 'Settings' },
  { view: 'layouts', name: 'Layouts' },
  { view: 'readiness', name: 'Readiness' },
  { view: 'reference', name: 'Reference data' },
  { view: 'counts', name: 'Counts of both sides' },
  { view: 'cut-over', name: 'Cut-over' },
  { view: 'set-aside', name: 'Set aside' },
  { view: 'people', name: 'People' },
  { view: 'trail', name: 'Trail' },
  { view: 'practise', name: 'Practise' },
];

/** The first stop: what is connected to what, and what is pulled from it. */
export function ConnectPage() {
  const { me, route } = useSession();
  const leads = route !== undefined && route.ledger !== '';
  const practises = useQuery({
    ...practiseQuery(route?.code ?? ''),
    enabled: me.role === 'ADMINISTRATOR' && leads && !route.fromFiles && !route.toFiles,
  }).isSuccess;
  const shows = (name: string) =>
    (!['counts', 'readiness', 'crossing', 'runs', 'alerts', 'settings', 'cut-over'].includes(name) ||
      leads) &&
    (name !== 'layouts' || (leads && route.toFiles)) &&
    (name !== 'practise' || practises) &&
    (name !== 'people' || me.role === 'ADMINISTRATOR');
  const view = useView();
  const connect = useQuery(connectQuery);
  const asides = useQuery(setAsideQuery).data?.length ?? 0;
  const at =
    VIEWS.find((each) => each.view === view.get('view')) ??
    VIEWS.find((each) => each.view === (route ? 'connections' : 'first-steps'));
  const trouble = TROUBLES[view.get('trouble')];
  return (
    <section aria-label="Connect" className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0">
      <div className="border-base-300 flex items-center gap-1.5 border-b px-3 py-[2px]">
        {VIEWS.filter((each) => shows(each.view)).map((each) => (
          <button
            key={each.view}
            type="button"
            className="chip"
            aria-pressed={each.view === at?.view}
            onClick={() =>
              view.set({
                view: each.view,
                kind: null,
                text: null,
                who: null,
                setting: null,
                value: null,
                changes: null,
                run: null,
                figure: null,
                document: null,
              })
            }
          >
            {each.name}
            {each.view === 'set-aside' && asides > 0 && <b> {asides}</b>}
          </button>
        ))}
      </div>
      {trouble && (
        <p role="alert" className="text-accent border-base-300 flex items-center gap-3 border-b px-4 py-2">
          <span>{trouble}</span>
          <button type="button" className="act ml-auto" onClick={() => view.set({ trouble: null })}>
            Put it away
          </button>
        </p>
      )}
      {connect.error && <Failure error={connect.error} />}
      {view.get('consent') !== '' && <ConsentSlip consent={view.get('consent')} />}
      {at?.view === 'first-steps' && <SetupPage />}
      {connect.data && at?.view === 'connections' && (
        <div className="min-h-0 flex-1 overflow-auto">
          <div className="grid grid-cols-[1fr_54px_1fr]">
            <SourcesPage sources={connect.data.sources} kinds={connect.data.kinds} />
            <span className="gutter" aria-hidden="true" />
            <LedgersPage ledgers={connect.data.ledgers} kinds={connect.data.kinds} />
          </div>
          <RoutesPage connected={connect.data} />
        </div>
      )}
      {connect.data && at?.view === 'reference' && <ReferencePage ledgers={connect.data.ledgers} />}
      {at?.view === 'people' && me.role === 'ADMINISTRATOR' && <PeoplePage />}
      {at?.view === 'set-aside' && <SetAsidePage />}
      {at?.view === 'trail' && <TrailPage />}
      {at?.view === 'crossing' && leads && <CrossingPage key={route.code} route={route} />}
      {at?.view === 'runs' && leads && <RunsPage key={route.code} route={route} />}
      {at?.view === 'alerts' && leads && <AlertsPage key={route.code} route={route} />}
      {at?.view === 'settings' && leads && <SettingsPage route={route} />}
      {at?.view === 'readiness' && leads && <ReadinessPage route={route} />}
      {at?.view === 'layouts' && leads && <LayoutsPage route={route} />}
      {at?.view === 'cut-over' && leads && <CutOverPage key={route.code} route={route} />}
      {at?.view === 'practise' && leads && practises && <PractisePage key={route.code} route={route} />}
      {at?.view === 'counts' && leads && <CountsView route={route} />}
    </section>
  );
}
