import { useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { settingHistoryQuery, settingPreviewQuery } from '../api/queries';
import { useSession } from '../app/current';
import { useView } from '../app/useView';
import { useConnectRefresh } from '../connect/useConnectRefresh';
import { Failure } from '../ui/Failure';
import { moment } from '../ui/format';
import { useDone } from '../undo/useTakeBack';
import { DocumentPicker } from './DocumentPicker';
import { SettingField } from './SettingField';
import { TwoDocuments } from './TwoDocuments';
import type { SettingJson } from './values';

interface Props {
  route: Schemas['RouteJson'];
  setting: SettingJson;
}

/** Decides while moving from a setting to the next one; keyed by it, so that nothing of another is left. */
function useDecision({ route, setting }: Props) {
  const view = useView();
  const done = useDone();
  const refresh = useConnectRefresh();
  const typed = view.get('value');
  const value = typed === '' ? setting.value : typed === 'none' && setting.shape !== 'choice' ? '' : typed;
  const decide = useMutation({
    mutationFn: (wanted: string) =>
      workDone(
        client.PUT('/api/settings', {
          body: {
            route: route.code,
            changes: [{ setting: setting.setting, value: wanted, expectedVersion: setting.version }],
          },
        }),
      ),
    onSuccess: async (decided) => {
      await refresh();
      view.set({ value: null }, { replace: true });
      done(`${setting.title}: ${decided.sentence}`, {
        what: 'setting',
        setting: {
          route: route.code,
          changes: [{ setting: setting.setting, value: setting.value, expectedVersion: setting.version + 1 }],
        },
      });
    },
  });
  const propose = (wanted: string) =>
    view.set({ value: wanted === setting.value ? null : wanted === '' ? 'none' : wanted }, { replace: true });
  return { value, propose, decide };
}

/** One setting: what it does, another value for it, and what that would do to a real document. */
export function SettingPanel({ route, setting }: Props) {
  const { me } = useSession();
  const view = useView();
  const { value, propose, decide } = useDecision({ route, setting });
  const asked = useDeferredValue(value);
  const document = Number(view.get('document')) || undefined;
  const preview = useQuery(settingPreviewQuery(route.code, setting.setting, asked, document));
  const mayDecide = me.role === 'ADMINISTRATOR';
  const changed = value !== setting.value;
  useHotkeys('d', () => decide.mutate(value), { enabled: mayDecide && changed && !decide.isPending });
  const known = asked === value && !preview.isPlaceholderData;
  return (
    <aside aria-label={setting.title} className="border-base-300 min-h-0 overflow-auto border-l p-4">
      <h2 className="title text-[17px]">{setting.title}</h2>
      <p className="soft mb-3">{setting.does}</p>
      <form
        aria-label="Decide"
        className={`mb-3 flex flex-wrap ${setting.shape === 'choice' ? 'items-center' : 'items-end'} gap-2`}
        onSubmit={(event) => {
          event.preventDefault();
          decide.mutate(value);
        }}
      >
        <SettingField route={route} setting={setting} value={value} onChange={propose} />
        {mayDecide ? (
          <button type="submit" className="act act-main" disabled={!changed || decide.isPending}>
            {decide.isPending ? 'Compiling again…' : 'Decide so'}
          </button>
        ) : (
          <span className="soft text-[13px]">An administrator decides; looking at it changes nothing.</span>
        )}
        {changed && (
          <button type="button" className="act" onClick={() => propose(setting.value)}>
            Leave it as it is
          </button>
        )}
      </form>
      {decide.error && <Failure error={decide.error} />}
      {preview.error && <Failure error={preview.error} />}
      {preview.data && (
        <>
          {changed && known && (
            <p data-effect className="border-accent text-accent mb-3 border-l-[3px] pl-2">
              {preview.data.sentence}
            </p>
          )}
          <DocumentPicker route={route} number={preview.data.number} />
          {changed && known && !preview.data.differs && preview.data.before && (
            <p className="soft mb-2 text-[13px]">Nothing changes on this document.</p>
          )}
          {preview.data.before && preview.data.after && (
            <TwoDocuments
              before={preview.data.before}
              after={preview.data.after}
              changed={changed && known && preview.data.differs}
              ledger={route.ledger}
              currency={route.currency}
            />
          )}
        </>
      )}
      {setting.version > 0 && (
        <History route={route} setting={setting} onPutBack={mayDecide ? propose : undefined} />
      )}
    </aside>
  );
}

function History({ route, setting, onPutBack }: Props & { onPutBack?: (value: string) => void }) {
  const history = useQuery(settingHistoryQuery(route.code, setting.setting, setting.version));
  const before = [
    ...(history.data ?? []).filter((each) => each.version !== setting.version),
    { version: 0, value: setting.standard, says: '', setBy: '', setAt: '' },
  ];
  return (
    <section aria-label="Earlier decisions" className="mt-4 text-[13px]">
      <h3 className="title mb-1 text-[14px]">Earlier decisions</h3>
      <ul>
        {before.map((each) => (
          <li key={each.version} className="flex gap-3 py-0.5">
            <span className="flex-1">
              {each.version === 0
                ? 'The standard'
                : `“${each.says || 'not set'}”, ${each.setBy}, ${moment(each.setAt)}`}
            </span>
            {onPutBack && each.value !== setting.value && (
              <button
                type="button"
                className="cursor-pointer underline"
                onClick={() => onPutBack(each.value)}
              >
                Put back
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
