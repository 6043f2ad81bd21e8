import { useQuery } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Schemas } from '../api/client';
import { settingsQuery } from '../api/queries';
import { useView } from '../app/useView';
import type { SettingJson } from '../settings/values';
import { Failure } from '../ui/Failure';
import { CrossingTable } from './CrossingTable';
import { Effect } from './Effect';
import { crossingQuery } from './queries';
import { changed, GROUPS, read, rowOf, settingsOf, written, type Changes, type CrossingRow } from './rows';

interface Props {
  route: Schemas['RouteJson'];
}

/** What crosses on a route, kind by kind; on the right what another decision would do to all that wait. */
export function CrossingPage({ route }: Props) {
  const rows = useQuery(crossingQuery(route.code));
  const settings = useQuery(settingsQuery(route.code));
  const failed = rows.error ?? settings.error;
  if (failed) {
    return <Failure error={failed} />;
  }
  if (!rows.data || !settings.data) {
    return <p className="p-4">Reading…</p>;
  }
  return <Crossing route={route} rows={rows.data} settings={settings.data} />;
}

const ORDER = GROUPS.flatMap((group) => group.of);

/** Which row is open and what is proposed for it, as the address bar has it. */
function useCrossing(settings: SettingJson[]) {
  const view = useView();
  const named = (of: string, setting: string) =>
    ORDER.includes(of) ? of : setting === '' ? '' : rowOf(setting);
  const at = named(view.get('kind'), view.get('setting'));
  const now = () => named(view.now('kind'), view.now('setting'));
  const ofAddress = (setting: string, value: string, text: string): Changes =>
    setting !== '' && value !== '' ? { [setting]: value } : read(text);
  const changes = ofAddress(view.get('setting'), view.get('value'), view.get('changes'));
  // What is decided in the same breath is decided of what was stepped to.
  const open = (of: string | null) =>
    view.set(
      { kind: of, changes: null, setting: null, value: null, document: null },
      { replace: true, atOnce: true },
    );
  const propose = (setting: SettingJson, value: string) => {
    const text = written(
      changed(ofAddress(view.now('setting'), view.now('value'), view.now('changes')), setting, value),
    );
    view.set({ kind: now(), changes: text, setting: null, value: null }, { replace: true });
  };
  return { at, now, changes, open, propose, row: settingsOf(at, settings) };
}

export type CrossingView = ReturnType<typeof useCrossing>;

function Crossing({ route, rows, settings }: Props & { rows: CrossingRow[]; settings: SettingJson[] }) {
  const view = useCrossing(settings);
  const move = (by: number) => {
    const to = ORDER[view.now() === '' ? (by > 0 ? 0 : ORDER.length - 1) : ORDER.indexOf(view.now()) + by];
    if (to !== undefined) {
      view.open(to);
    }
  };
  useHotkeys('j', () => move(1));
  useHotkeys('k', () => move(-1));
  useHotkeys('escape', () => view.open(Object.keys(view.changes).length > 0 ? view.now() : null));
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_340px] max-[1000px]:grid-cols-1">
      <CrossingTable route={route} rows={rows} settings={settings} view={view} />
      <Effect key={`${route.code} ${view.at}`} route={route} rows={rows} view={view} />
    </div>
  );
}
