import { useQueries } from '@tanstack/react-query';
import { settingHistoryQuery } from '../api/queries';
import type { SettingJson } from '../settings/values';
import { moment } from '../ui/format';
import type { CrossingView } from './CrossingPage';
import { allOf } from './rows';

interface Props {
  route: string;
  view: CrossingView;
  onPutBack: ((setting: SettingJson, value: string) => void) | undefined;
}

/** What was decided before about a kind, the newest first. */
export function Decided({ route, view, onPutBack }: Props) {
  const decided = allOf(view.row).filter((each) => each.version > 0);
  const histories = useQueries({
    queries: decided.map((each) => settingHistoryQuery(route, each.setting, each.version)),
  });
  const all = decided
    .flatMap((setting, place) => (histories[place]?.data ?? []).map((each) => ({ setting, ...each })))
    .sort((one, other) => other.setAt.localeCompare(one.setAt));
  if (all.length === 0) {
    return null;
  }
  return (
    <section aria-label="Earlier decisions" className="mt-4 text-[13px]">
      <h3 className="title mb-1 text-[14px]">What was decided</h3>
      <ul>
        {all.map(({ setting, version, value, says, setBy, setAt }) => (
          <li key={`${setting.setting} ${version}`} className="flex gap-3 py-0.5">
            <span className="flex-1">
              {setting.title}: “{says || 'not set'}”, {setBy}, {moment(setAt)}
            </span>
            {onPutBack && value !== setting.value && (
              <button
                type="button"
                className="cursor-pointer underline"
                onClick={() => onPutBack(setting, value)}
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
