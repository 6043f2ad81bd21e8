import { useInfiniteQuery } from '@tanstack/react-query';
import { settingsTrailQuery } from '../api/queries';
import { useView } from '../app/useView';
import { Failure } from '../ui/Failure';
import { moment } from '../ui/format';
import { said } from './said';
import { TrailCheck } from './TrailCheck';

/** Everything that was done to settings, people and connections, the newest first. */
export function TrailPage() {
  const view = useView();
  const trail = useInfiniteQuery(settingsTrailQuery(view.get('who'), view.get('text')));
  const entries = trail.data?.pages.flat() ?? [];
  const persons = [...new Set(entries.map((entry) => entry.who))].sort();
  if (trail.error) {
    return <Failure error={trail.error} />;
  }
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div className="flex items-center gap-3 px-4 py-2">
        <input
          type="search"
          aria-label="Narrow the trail"
          placeholder="What, or whom"
          className="field w-52"
          value={view.get('text')}
          onChange={(event) => view.set({ text: event.target.value }, true)}
        />
        <label className="flex items-center gap-2">
          By
          <select
            className="field"
            value={view.get('who')}
            onChange={(event) => view.set({ who: event.target.value })}
          >
            <option value="">everybody</option>
            {persons.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
        <TrailCheck />
      </div>
      <table className="book" aria-label="Trail of settings">
        <colgroup>
          <col style={{ width: 170 }} />
          <col style={{ width: 170 }} />
          <col style={{ width: 260 }} />
          <col />
        </colgroup>
        <tbody>
          {entries.map((entry) => (
            <tr key={entry.id}>
              <td className="soft" title={entry.at}>
                {moment(entry.at)}
              </td>
              <td title={entry.signIn && `signs in as ${entry.signIn}`}>{entry.who}</td>
              <td>{said(entry.action)}</td>
              <td className="soft" title={JSON.stringify(entry.detail)}>
                {Object.entries(entry.detail)
                  .filter(([, value]) => value !== '')
                  .map(([name, value]) => `${said(name).toLowerCase()} ${String(value)}`)
                  .join(', ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft p-4">
        {trail.isSuccess && entries.length === 0 && 'Nothing of that kind was done.'}
        {trail.hasNextPage && (
          <button
            type="button"
            className="cursor-pointer underline"
            onClick={() => void trail.fetchNextPage()}
          >
            Show earlier
          </button>
        )}
      </p>
    </div>
  );
}
