import { Fragment, useEffect, useRef } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import type { SettingJson } from '../settings/values';
import { counted, day, plural, totals } from '../ui/format';
import type { CrossingView } from './CrossingPage';
import { OpenRow } from './OpenRow';
import {
  comesBack,
  GROUPS,
  isMaster,
  leaves,
  listOf,
  ownedOf,
  markOf,
  saysOf,
  settingsOf,
  valueOf,
  wayOfMaster,
  type Changes,
  type CrossingRow,
  whenNeeded,
  type Mark,
} from './rows';
import { Way } from './Way';

interface Props {
  route: Schemas['RouteJson'];
  rows: CrossingRow[];
  settings: SettingJson[];
  view: CrossingView;
}

/** One row for each kind of record. */
export function CrossingTable({ route, rows, settings, view }: Props) {
  const table = useRef<HTMLDivElement>(null);
  useEffect(() => {
    table.current?.querySelector(`[data-kind='${view.at}']`)?.scrollIntoView({ block: 'nearest' });
  }, [view.at]);
  return (
    <div ref={table} className="min-h-0 overflow-auto">
      <table className="w-full border-collapse text-[13.5px]" aria-label="What crosses">
        <thead className="bg-base-100 sticky top-0 z-10">
          <tr className="title text-[15px]">
            <th colSpan={3} className="text-primary px-3 pt-2 text-left font-[inherit]">
              In {route.source}
            </th>
            <th className="gutter" aria-hidden="true" />
            <th colSpan={5} className="text-secondary px-3 pt-2 text-left font-[inherit]">
              On the books of {route.ledger}
            </th>
          </tr>
          <tr className="border-base-content/40 soft border-b text-left text-[12.5px]">
            <th className="w-[76px] px-3 py-1" aria-label="Group" />
            <th className="px-2">Kind</th>
            <th className="px-2">Leaves</th>
            <th className="gutter w-[116px]">Crosses</th>
            <th className="px-2">Becomes there</th>
            <th className="px-2 whitespace-nowrap">Who wins</th>
            <th className="px-2">From</th>
            <th className="px-2 text-right">Waits</th>
            <th className="px-3 text-right">{route.currency}</th>
          </tr>
        </thead>
        <tbody>
          {GROUPS.map((group) => (
            <Fragment key={group.name}>
              {group.of.map((of, place) => {
                const row = rows.find((each) => each.of === of);
                return (
                  row && (
                    <Fragment key={of}>
                      <Row
                        route={route}
                        row={row}
                        group={place === 0 ? group.name : ''}
                        settings={settings}
                        changes={view.at === of ? view.changes : {}}
                        open={view.at === of}
                        onOpen={() => view.open(view.at === of ? null : of)}
                      />
                      {view.at === of && <OpenRow route={route} row={row} view={view} />}
                    </Fragment>
                  )
                );
              })}
            </Fragment>
          ))}
        </tbody>
      </table>
      <Legend />
    </div>
  );
}

interface RowProps {
  route: Schemas['RouteJson'];
  row: CrossingRow;
  group: string;
  settings: SettingJson[];
  changes: Changes;
  open: boolean;
  onOpen: () => void;
}

function Row({ route, row, group, settings, changes, open, onOpen }: RowProps) {
  const own = settingsOf(row.of, settings);
  const master = isMaster(row.of);
  const decided = valueOf(own.direction, changes);
  const direction = master ? wayOfMaster(decided) : decided;
  const trigger = valueOf(own.trigger, changes);
  const needed = whenNeeded(settings, changes, row.of);
  const travels = decided !== '' && decided !== 'none';
  const way = !master
    ? leaves(direction, trigger, route.ledger)
    : travels
      ? `${needed}, then changes`
      : needed;
  const mark: Mark = master ? 'when first needed' : markOf(trigger);
  const from = valueOf(own.from, changes);
  const crosses = direction !== 'none' && row.taken;
  const owned = ownedOf(own, changes);
  return (
    <tr
      data-kind={row.of}
      data-open={open}
      className={`border-base-300 hover:bg-base-200 h-[33px] border-b ${open ? 'row-chosen' : ''}`}
    >
      <td className="title text-primary px-3 text-[14px]">{group}</td>
      <td className="px-2 whitespace-nowrap">
        <button type="button" className="cursor-pointer text-left" aria-expanded={open} onClick={onOpen}>
          {row.title}
        </button>
      </td>
      <td className="px-2 whitespace-nowrap">
        {row.told || master || comesBack(direction) ? way : <span className="soft">none seen yet</span>}
      </td>
      <td className="gutter">
        <Way
          direction={direction}
          mark={mark}
          told={row.told}
          taken={row.taken}
          says={crosses ? `${saysOf(own.direction, changes) || 'to the ledger'}, ${way}` : 'does not cross'}
        />
      </td>
      <td className={`px-2 ${row.taken ? '' : 'text-accent'}`}>{row.becomes}</td>
      <td className="px-2">
        {own.winner && crosses && (!master || decided === 'both')
          ? winnerOf(valueOf(own.winner, changes), route)
          : '–'}
        {owned > 0 && crosses && <span className="soft block">{plural(owned, 'field')} owned</span>}
      </td>
      <td className="px-2 whitespace-nowrap">
        {master || from === '' ? <span className="soft">any day</span> : day(from)}
      </td>
      <td className="px-2 text-right">
        {row.waits > 0 && (
          <Link className="underline" to={listOf(row.of, route.code)}>
            {counted(row.waits)}
          </Link>
        )}
      </td>
      <td className={`px-3 text-right whitespace-nowrap ${row.blocked > 0 ? 'text-accent' : ''}`}>
        {row.waits > 0 && totals(row.sums, route.currency)}
      </td>
    </tr>
  );
}

const winnerOf = (value: string, route: Schemas['RouteJson']) =>
  ({ source: route.source, ledger: route.ledger, latest: 'the later' })[value] ?? 'ask';

const Legend = () => (
  <p className="soft flex flex-wrap items-center gap-x-5 gap-y-1 px-3 py-2 text-[12.5px]">
    <Sample mark="at once">by itself</Sample>
    <Sample mark="held">held until sent</Sample>
    <Sample mark="when first needed">when first needed</Sample>
    <span>
      a broken shore: that side has none · amounts held up in <span className="text-accent">ochre</span>
    </span>
  </p>
);

const Sample = ({ mark, children }: { mark: Mark; children: string }) => (
  <span className="flex items-center gap-1.5">
    <svg viewBox="0 0 40 12" aria-hidden="true" className="text-primary h-3 w-10">
      <g stroke="currentColor" strokeWidth="1.75" fill="none">
        <path d="M0 6H40" />
        {mark === 'held' && <path d="M14 1v10M19 1v10M24 1v10" />}
        {mark === 'when first needed' && <path d="M17 2l5 4l-5 4" />}
      </g>
    </svg>
    {children}
  </span>
);
