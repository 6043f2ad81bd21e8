import { useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { useSession } from '../app/current';
import { useView } from '../app/useView';
import { useConnectRefresh } from '../connect/useConnectRefresh';
import { DocumentPicker } from '../settings/DocumentPicker';
import { TwoDocuments } from '../settings/TwoDocuments';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { counted, monthOf, moneys, plural, totals } from '../ui/format';
import { useDone } from '../undo/useTakeBack';
import type { CrossingView } from './CrossingPage';
import { Decided } from './Decided';
import { effectQuery, shownQuery } from './queries';
import { MastersEffect } from './MastersEffect';
import { aboutFields, aboutRecords, allOf, isMaster, listOf, type Changes, type CrossingRow } from './rows';

type Prospect = Schemas['ProspectSum']['prospect'];
type Preview = Schemas['CrossingPreview'];

interface Props {
  route: Schemas['RouteJson'];
  rows: CrossingRow[];
  view: CrossingView;
}

/** What would become of all that wait of the kind that is open. */
export function Effect({ route, rows, view }: Props) {
  const row = rows.find((each) => each.of === view.at);
  return (
    <aside aria-label="Effect" className="border-base-300 min-h-0 overflow-auto border-l p-4">
      {row ? (
        <OfRow route={route} row={row} view={view} />
      ) : (
        <>
          <h2 className="title text-[17px]">Choose a kind of record</h2>
          <p className="soft mt-1">
            Its row opens in place. What another decision would do to all that wait of it is shown here before
            it is taken.
          </p>
        </>
      )}
    </aside>
  );
}

/** What is decided, and whether it holds for what waits already. */
interface Decision {
  changes: Changes;
  onlyNext: boolean;
}

/** Decides all that is proposed at once, so that it can be taken back at once. */
function useDecide(route: string, row: CrossingRow, view: CrossingView) {
  const done = useDone();
  const refresh = useConnectRefresh();
  const settings = allOf(view.row);
  return useMutation({
    mutationFn: ({ changes, onlyNext }: Decision) => {
      const concerned = settings.filter((each) => changes[each.setting] !== undefined);
      return workDone(
        client.PUT('/api/settings', {
          body: {
            route,
            onlyNext,
            changes: concerned.map((each) => ({
              setting: each.setting,
              value: changes[each.setting] ?? '',
              expectedVersion: each.version,
            })),
          },
        }),
      ).then((decided) => ({ decided, concerned }));
    },
    onSuccess: async ({ decided, concerned }) => {
      await refresh();
      view.open(row.of);
      done(`${row.title}: ${decided.sentence}`, {
        what: 'setting',
        setting: {
          route,
          changes: concerned.map((each) => ({
            setting: each.setting,
            value: each.value,
            expectedVersion: each.version + 1,
          })),
        },
      });
    },
  });
}

/** How many would go by themselves that do not now. */
const newlyGoing = ({ now, would }: Preview): number => Math.max(0, goes(would) - goes(now));

const goes = (all: Preview['now']): number => all.find((each) => each.prospect === 'GOES')?.count ?? 0;

const STANDS: Record<Schemas['ChangedFate']['stands'], (route: Schemas['RouteJson']) => string> = {
  LEDGERS: (route) => `would stand as in ${route.ledger}`,
  SOURCES: () => 'would go again, with what is the ledger’s kept',
  LATER: () => 'would stand as the later change has it, where both tell when',
  ASKED: () => 'would be asked about on Resolve',
};

/** What becomes of documents that somebody changed on the ledger. */
const ChangedThere = ({ fates, route }: { fates: Schemas['ChangedFate'][]; route: Schemas['RouteJson'] }) => (
  <div data-effect className="border-primary my-3 border-l-[3px] pl-2 text-[13px]">
    Changed in {route.ledger} since both agreed:
    <ul>
      {fates.map((fate) => (
        <li key={fate.stands}>
          {plural(fate.count, 'document')}, {moneys(fate.sums)}, {STANDS[fate.stands](route)}
        </li>
      ))}
    </ul>
  </div>
);

function OfRow({ route, row, view }: { route: Schemas['RouteJson']; row: CrossingRow; view: CrossingView }) {
  const { me } = useSession();
  const decide = useDecide(route.code, row, view);
  const count = Object.keys(view.changes).length;
  const mayDecide = me.role === 'ADMINISTRATOR';
  const asked = useDeferredValue(view.changes);
  const records = aboutRecords(asked);
  const first = isMaster(row.of) ? view.row.shape[0] : view.row.direction;
  const looked: Changes =
    Object.keys(records).length > 0 ? records : first ? { [first.setting]: first.value } : {};
  const effect = useQuery({ ...effectQuery(route.code, looked), enabled: first !== undefined });
  const going = effect.data ? newlyGoing(effect.data) : 0;
  const can = mayDecide && count > 0 && !decide.isPending;
  const decideSo = (onlyNext: boolean) => decide.mutate({ changes: view.changes, onlyNext });
  useHotkeys('d', () => decideSo(false), { enabled: can });
  useHotkeys('n', () => decideSo(true), { enabled: can && going > 0 });
  return (
    <>
      <h2 className="title text-[17px]">
        {count === 0 ? row.title : `What would this do to ${row.title.toLowerCase()}?`}
      </h2>
      <p className="soft mb-3 text-[13px]">
        {count === 0 ? 'As it is decided now.' : `${plural(count, 'change')}, not decided.`}{' '}
        {effect.data &&
          `${plural(effect.data.waiting, 'record')} ${effect.data.waiting === 1 ? 'waits' : 'wait'}.`}
      </p>
      {(row.of === 'PARTIES' || row.of === 'ITEMS') && (
        <MastersEffect route={route} kind={row.of} changes={aboutFields(asked, row.of)} />
      )}
      {effect.error && <Failure error={effect.error} />}
      {effect.data && <Prospects preview={effect.data} currency={route.currency} />}
      {effect.data && effect.data.stranded > 0 && (
        <p data-effect className="border-accent text-accent my-3 border-l-[3px] pl-2 text-[13px]">
          {plural(effect.data.stranded, 'payment')}, {moneys(effect.data.strandedSums)}, for what would be
          left behind: they would wait for ever.{' '}
          <Link className="underline" to={listOf('PAYMENTS', route.code)}>
            See them
          </Link>
        </p>
      )}
      {effect.data && effect.data.coming > 0 && (
        <p data-effect className="border-primary my-3 border-l-[3px] pl-2 text-[13px]">
          {plural(effect.data.coming, 'document')}, {moneys(effect.data.comingSums)}, that {route.ledger}{' '}
          alone has would go to {route.source}, as far as they can be told in its codes.
        </p>
      )}
      {effect.data && effect.data.changedThere.length > 0 && (
        <ChangedThere fates={effect.data.changedThere} route={route} />
      )}
      {decide.error && <Failure error={decide.error} />}
      {count > 0 &&
        (mayDecide ? (
          <div className="my-3 flex flex-wrap gap-2">
            <button
              type="button"
              className="act act-main grow justify-center"
              disabled={decide.isPending}
              onClick={() => decideSo(false)}
            >
              {decide.isPending
                ? 'Compiling again…'
                : going > 0
                  ? `Decide so, ${counted(going)} ${going === 1 ? 'goes' : 'go'}`
                  : 'Decide so'}{' '}
              <Key>d</Key>
            </button>
            {going > 0 && (
              <button
                type="button"
                className="act"
                disabled={decide.isPending}
                onClick={() => decideSo(true)}
              >
                Only from the next one on <Key>n</Key>
              </button>
            )}
            <button type="button" className="act" onClick={() => view.open(row.of)}>
              Leave it <Key>Esc</Key>
            </button>
          </div>
        ) : (
          <p className="soft my-3 text-[13px]">An administrator decides; looking at it changes nothing.</p>
        ))}
      {Object.keys(records).length > 0 && <Shown route={route} changes={records} />}
      <Decided route={route.code} view={view} onPutBack={mayDecide ? view.propose : undefined} />
    </>
  );
}

const WORDS: Record<Prospect, { says: string; fill: string }> = {
  GOES: { says: 'Go at the next fetch', fill: 'bg-primary' },
  HELD: { says: 'Ready, held until sent', fill: 'bg-primary/60' },
  AWAITED: { says: 'Wait for the source', fill: 'bg-secondary/50' },
  BLOCKED: { says: 'Blocked, once put right', fill: 'bg-accent' },
  LEFT_BEHIND: {
    says: 'Left behind',
    fill: 'bg-base-300 outline outline-1 -outline-offset-1 outline-dashed outline-base-content/60',
  },
};
const ORDER: Prospect[] = ['GOES', 'HELD', 'AWAITED', 'BLOCKED', 'LEFT_BEHIND'];
const MOST_MONTHS = 12;

function Prospects({ preview, currency }: { preview: Preview; currency: string }) {
  const of = (prospect: Prospect) => preview.would.find((each) => each.prospect === prospect);
  const was = (prospect: Prospect) => preview.now.find((each) => each.prospect === prospect)?.count ?? 0;
  const months = preview.months.slice(-MOST_MONTHS);
  const most = Math.max(...months.map(countOf), 1);
  return (
    <>
      {months.length > 1 && (
        <table className="mb-3 w-full text-[12.5px]" aria-label="By month">
          <tbody>
            {months.map((each) => (
              <tr key={each.month}>
                <td className="py-0.5 pr-2 whitespace-nowrap">{monthOf(each.month)}</td>
                <td className="amount pr-2">{countOf(each)}</td>
                <td className="w-full">
                  <span className="flex h-3" style={{ width: `${(100 * countOf(each)) / most}%` }}>
                    {each.prospects.map(({ prospect, count }) => (
                      <span
                        key={prospect}
                        title={`${count}: ${WORDS[prospect].says}`}
                        className={WORDS[prospect].fill}
                        style={{ flex: count }}
                      />
                    ))}
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <table className="slip w-full text-[13px]" aria-label="What becomes of them">
        <tbody>
          {ORDER.filter((each) => was(each) > 0 || of(each) !== undefined).map((prospect) => (
            <tr key={prospect} data-prospect={prospect}>
              <td className="w-full">
                <span
                  aria-hidden="true"
                  className={`mr-1.5 inline-block h-2.5 w-2.5 ${WORDS[prospect].fill}`}
                />
                {WORDS[prospect].says}
              </td>
              <td className="amount pl-3 whitespace-nowrap">
                {was(prospect) !== (of(prospect)?.count ?? 0) && (
                  <s className="text-accent mr-1.5" title="As it is decided now">
                    {was(prospect)}
                  </s>
                )}
                {of(prospect)?.count ?? 0}
              </td>
              <td className="amount pl-3 whitespace-nowrap">{totals(of(prospect)?.sums ?? [], currency)}</td>
            </tr>
          ))}
          {preview.waiting === 0 && (
            <tr>
              <td>Nothing waits: this changes nothing that is here.</td>
            </tr>
          )}
        </tbody>
      </table>
    </>
  );
}

const countOf = (month: Schemas['ProspectMonth']) =>
  month.prospects.reduce((all, each) => all + each.count, 0);

/** A real record, as it would be there. */
function Shown({ route, changes }: { route: Schemas['RouteJson']; changes: Changes }) {
  const view = useView();
  const document = Number(view.get('document')) || undefined;
  const shown = useQuery({
    ...shownQuery(route.code, changes, document),
    enabled: Object.keys(changes).length > 0,
  });
  const { before, after, differs, number } = shown.data ?? {};
  if (!before || !after || !number) {
    return null;
  }
  return (
    <>
      <DocumentPicker route={route} number={number} />
      {!differs && <p className="soft mb-2 text-[13px]">It would be the same there.</p>}
      {differs && (
        <TwoDocuments
          before={before}
          after={after}
          changed
          ledger={route.ledger}
          currency={route.currency}
          stacked
        />
      )}
    </>
  );
}
