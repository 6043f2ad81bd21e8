import { useQuery } from '@tanstack/react-query';
import { Fragment, useEffect, useRef } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Schemas } from '../api/client';
import { settingsQuery } from '../api/queries';
import { useView } from '../app/useView';
import { isOfTable } from '../crossing/rows';
import { Failure } from '../ui/Failure';
import { day } from '../ui/format';
import { Numbers } from './Numbers';
import { SettingPanel } from './SettingPanel';
import { SECTIONS, valueOf, type SettingJson } from './values';

/** What is decided about a route; on the right what another decision would do to a real document. */
export function SettingsPage({ route }: { route: Schemas['RouteJson'] }) {
  const settings = useQuery(settingsQuery(route.code));
  if (settings.error) {
    return <Failure error={settings.error} />;
  }
  if (!settings.data) {
    return <p className="p-4">Reading…</p>;
  }
  return <Settings route={route} all={settings.data.filter((each) => !isOfTable(each))} />;
}

/** The list on the left page; j and k go through it. */
function Settings({ route, all }: { route: Schemas['RouteJson']; all: SettingJson[] }) {
  const view = useView();
  const named = (name: string) => all.find((each) => each.setting === name) ?? all[0];
  const at = named(view.get('setting'));
  // What is decided in the same breath is decided of what was stepped to.
  const choose = (setting: SettingJson | undefined) =>
    setting &&
    view.set({ setting: setting.setting, value: null, document: null }, { replace: true, atOnce: true });
  const move = (by: number) => choose(all[all.findIndex((each) => each === named(view.now('setting'))) + by]);
  const list = useRef<HTMLDivElement>(null);
  const name = at?.setting;
  useEffect(() => {
    list.current?.querySelector(`[data-setting=${name}]`)?.scrollIntoView({ block: 'center' });
  }, [name]);
  useHotkeys('j', () => move(1));
  useHotkeys('k', () => move(-1));
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
      <div ref={list} className="min-h-0 overflow-auto p-3">
        {SECTIONS.map(({ section, name }) => (
          <Fragment key={section}>
            <h2 className="title text-primary mt-2 mb-1 text-[15px]">{name}</h2>
            <ul aria-label={name} className="mb-2">
              {all
                .filter((each) => each.section === section)
                .map((each) => (
                  <li key={each.setting}>
                    <button
                      type="button"
                      data-setting={each.setting}
                      aria-current={each.setting === at?.setting}
                      className="hover:bg-base-200 aria-[current=true]:bg-base-200 aria-[current=true]:border-l-secondary border-base-300 grid w-full cursor-pointer grid-cols-[1fr_1fr_auto] gap-3 border-b border-l-[3px] border-l-transparent px-2 py-1.5 text-left"
                      onClick={() => choose(each)}
                    >
                      <span>{each.title}</span>
                      <span className={each.version === 0 ? 'soft' : 'font-semibold'}>{valueOf(each)}</span>
                      <span className="soft text-[12px]" title={each.setAt}>
                        {each.version === 0 ? 'standard' : `${each.setBy}, ${day(each.setAt)}`}
                      </span>
                    </button>
                  </li>
                ))}
            </ul>
            {section === 'NUMBERS' && <Numbers route={route} settings={all} />}
          </Fragment>
        ))}
      </div>
      {at && <SettingPanel key={`${route.code} ${at.setting}`} route={route} setting={at} />}
    </div>
  );
}
