import { useMutation } from '@tanstack/react-query';
import { useId, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { useSession } from '../app/current';
import type { SettingJson } from '../settings/values';
import { DayField } from '../ui/DayField';
import { Key } from '../ui/Key';
import { useNotice } from '../ui/notices';
import { plural } from '../ui/format';
import type { CrossingView } from './CrossingPage';
import { isMaster, ownedOf, valueOf, type CrossingRow } from './rows';

interface Props {
  route: Schemas['RouteJson'];
  row: CrossingRow;
  view: CrossingView;
}

/** What can be decided about a kind, changed in its place. */
export function OpenRow({ route, row, view }: Props) {
  const { direction, trigger, winner, from, owners, shape } = view.row;
  const master = isMaster(row.of);
  const way = (place: number) => {
    const choice = direction?.choices[place];
    if (direction && choice) {
      view.propose(direction, choice.value);
    }
  };
  useHotkeys('1', () => way(0));
  useHotkeys('2', () => way(1));
  useHotkeys('3', () => way(2));
  useHotkeys('4', () => way(3));
  const owned = ownedOf(view.row, view.changes);
  const own = shape.filter((each) => valueOf(each, view.changes) !== '').length;
  return (
    <tr className="bg-base-200 border-base-300 border-b">
      <td colSpan={9} className="border-l-primary border-l-[3px] px-4 py-2">
        <div
          role="group"
          aria-label={`Decide about ${row.title.toLowerCase()}`}
          className="flex flex-col gap-2"
        >
          <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
            {direction && (
              <Words label={master ? 'Changes go' : 'Way'} setting={direction} view={view} keys />
            )}
            {trigger && <Words label="Leave" setting={trigger} view={view} />}
            {winner && <Words label="Who wins" setting={winner} view={view} />}
            {from && (
              <Labelled label="From">
                <DayField
                  key={`${route.code} ${from.setting}`}
                  label=""
                  says={`${row.title} from`}
                  day={valueOf(from, view.changes) || undefined}
                  onDay={(iso) => view.propose(from, iso ?? '')}
                />
              </Labelled>
            )}
            {direction && <RunNow route={route.code} row={row} />}
          </div>
          {owners.length > 0 && (
            <details open={owned > 0}>
              <summary className="cursor-pointer text-[13px]">
                Whose a field is:{' '}
                {owned === 0
                  ? master
                    ? 'nobody’s'
                    : 'whoever wins'
                  : `decided of ${plural(owned, 'field')}`}
              </summary>
              <div className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(210px,1fr))] gap-x-4 gap-y-2">
                {owners.map((each) => (
                  <Shape key={each.setting} setting={each} view={view} />
                ))}
              </div>
            </details>
          )}
          {shape.length > 0 && (
            <details open={master || own > 0}>
              <summary className="cursor-pointer text-[13px]">
                {master
                  ? 'As they are on the ledger, and those that one side lacks'
                  : `What one is like on the ledger: ${own === 0 ? 'as all documents' : `differs in ${plural(own, 'thing')}`}`}
              </summary>
              <div className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(210px,1fr))] gap-x-4 gap-y-2">
                {shape.map((each) => (
                  <Shape key={each.setting} setting={each} view={view} />
                ))}
              </div>
            </details>
          )}
        </div>
      </td>
    </tr>
  );
}

type Carried = NonNullable<Schemas['RunJson']['carried']>;

/** A run by hand of one kind alone. */
function RunNow({ route, row }: { route: string; row: CrossingRow }) {
  const { me } = useSession();
  const notice = useNotice();
  const refresh = useRefresh();
  const run = useMutation({
    mutationFn: () =>
      workDone(client.POST('/api/pull', { params: { query: { route, carried: row.of as Carried } } })),
    onSuccess: (ran) => notice({ tone: 'done', text: ran.sentence }),
    onError: (error) => notice({ tone: 'failed', text: error.message }),
    onSettled: refresh,
  });
  return me.mayChange ? (
    <button
      type="button"
      className="act ml-auto"
      title="Fetches both sides, and lets of these alone go what goes by itself."
      disabled={run.isPending}
      onClick={() => run.mutate()}
    >
      {run.isPending ? 'Running…' : `Run ${row.title.toLowerCase()} now`}
    </button>
  ) : null;
}

const Labelled = ({ label, children }: { label: string; children: ReactNode }) => (
  <div className="flex items-center gap-2">
    <span className="soft text-[12.5px]">{label}</span>
    {children}
  </div>
);

interface WordsProps {
  label: string;
  setting: SettingJson;
  view: CrossingView;
  keys?: boolean;
}

/** What was decided and is not proposed any more is struck out. */
function Words({ label, setting, view, keys = false }: WordsProps) {
  const value = valueOf(setting, view.changes);
  return (
    <Labelled label={label}>
      <span role="radiogroup" aria-label={setting.title} className="flex flex-wrap gap-1.5">
        {setting.choices.map((choice, place) => (
          <label
            key={choice.value}
            title={setting.does}
            className="chip has-[:checked]:bg-neutral has-[:checked]:text-neutral-content has-[:focus-visible]:outline-secondary flex items-center gap-1.5 has-[:focus-visible]:outline-2"
          >
            <input
              type="radio"
              className="sr-only"
              name={setting.setting}
              value={choice.value}
              checked={choice.value === value}
              onChange={() => view.propose(setting, choice.value)}
            />
            <span className={choice.value === setting.value && value !== setting.value ? 'line-through' : ''}>
              {choice.says}
            </span>
            {keys && <Key>{String(place + 1)}</Key>}
          </label>
        ))}
      </span>
    </Labelled>
  );
}

/** One thing in which a kind can differ from all documents. */
function Shape({ setting, view }: { setting: SettingJson; view: CrossingView }) {
  const id = useId();
  const value = valueOf(setting, view.changes);
  const title = setting.title.slice(setting.title.indexOf(': ') + 1).trim();
  return (
    <div className="flex flex-col gap-0.5 text-[13px]">
      <label htmlFor={id} className="soft" title={setting.does}>
        {title.charAt(0).toUpperCase() + title.slice(1)}
      </label>
      <select
        id={id}
        className={`field ${value === setting.value ? '' : 'border-accent'}`}
        data-setting={setting.setting}
        value={value}
        onChange={(event) => view.propose(setting, event.target.value)}
      >
        {setting.choices.map((choice) => (
          <option key={choice.value} value={choice.value}>
            {choice.says}
          </option>
        ))}
      </select>
    </div>
  );
}
