import { useMutation } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { useCurrent } from '../app/current';
import { useLook } from '../link/useLook';
import { DaysChip } from '../ui/choose/DaysChip';
import { Key } from '../ui/Key';
import { useNotice } from '../ui/notices';
import { WHATS, type ReleaseView } from './useReleaseView';
import type { Row } from './useRows';

const STATES = [
  'Blocked',
  'Ready',
  'Waiting',
  'Queued',
  'Unconfirmed',
  'Posted',
  'Refused',
  'Diverged',
  'Voided',
  'Left alone',
];
const ALWAYS = new Set(['Blocked', 'Ready', 'Waiting', 'Posted']);

interface Props {
  view: ReleaseView;
  states: Schemas['StateSum'][];
  rows: Row[];
  /** The row that one is on. */
  at: () => number | undefined;
}

export function Toolbar({ view, states, rows, at }: Props) {
  const { me, route } = useCurrent();
  const count = (state: string) => states.find((each) => each.state === state)?.count ?? 0;
  const all = states.reduce((total, each) => total + each.count, 0);
  const shown = STATES.filter((state) => ALWAYS.has(state) || count(state) > 0 || view.state === state);
  return (
    <div className="border-base-300 flex flex-wrap items-center gap-1.5 border-b px-3 py-[2px] max-[700px]:flex-nowrap max-[700px]:overflow-x-auto">
      <div role="group" aria-label="State" className="flex flex-wrap gap-1.5 max-[700px]:flex-nowrap">
        {['All', ...shown].map((state) => (
          <button
            key={state}
            type="button"
            className="chip"
            aria-pressed={view.state === state}
            onClick={() => view.set({ state, document: null, chosen: null })}
          >
            {state} {state === 'All' ? all : count(state)}
          </button>
        ))}
      </div>
      <What view={view} />
      <DaysChip
        label="Issue date"
        span={view}
        onChoose={({ from, to }) => view.set({ from: from ?? null, to: to ?? null })}
      />
      {me.mayChange && (
        <div className="ml-auto flex gap-1.5">
          <LookAgain view={view} at={at} />
          {route.fromFiles ? <TakeIn view={view} /> : <Approve view={view} rows={rows} />}
          <MakeBatch view={view} ready={count('Ready')} />
        </div>
      )}
    </div>
  );
}

/** One kind of record, several that belong together, or all. */
function What({ view }: { view: ReleaseView }) {
  return (
    <select
      className="field h-[27px] w-[96px] py-0 pl-2 text-[13px]"
      aria-label="What is shown"
      value={view.what}
      onChange={(event) => view.set({ what: event.target.value, document: null, chosen: null })}
    >
      <option value="">All kinds</option>
      {Object.entries(WHATS).map(([word, each]) => (
        <option key={word} value={word}>
          {each.name}
        </option>
      ))}
    </select>
  );
}

function Approve({ view, rows }: { view: ReleaseView; rows: Row[] }) {
  const { route } = useCurrent();
  const notice = useNotice();
  const refresh = useRefresh();
  const waiting = rows.filter(
    (row) => row.state === 'Waiting' && (view.chosen.size === 0 || view.chosen.has(row.id)),
  );
  const approve = useMutation({
    mutationFn: () =>
      workDone(
        client.POST('/api/documents/approval', {
          body: { route: route.code, ids: waiting.slice(0, 500).map((row) => row.id) },
        }),
      ),
    onSuccess: async (approved) => {
      view.setChosen(new Set());
      await refresh();
      notice({ tone: 'done', text: approved.sentence });
    },
    onError: (error) => notice({ tone: 'failed', text: error.message }),
  });
  const act = () => {
    if (waiting.length > 0) {
      approve.mutate();
    } else {
      view.set({ state: 'Waiting', document: null, chosen: null });
    }
  };
  useHotkeys('a', act, { enabled: !approve.isPending });
  return (
    <button type="button" className="act" disabled={approve.isPending} onClick={act}>
      {approve.isPending
        ? 'Approving…'
        : waiting.length > 0
          ? `Approve ${waiting.length} in ${route.source}`
          : 'Approve…'}{' '}
      <Key>a</Key>
    </button>
  );
}

/** The chosen ones, or the one that one is on, by key; a button is there for what was chosen. */
function LookAgain({ view, at }: Pick<Props, 'view' | 'at'>) {
  const { route } = useCurrent();
  const look = useLook(route.code);
  const act = () => {
    const chosen = [...view.chosenNow()];
    const one = at();
    const ids = chosen.length > 0 ? chosen : one === undefined ? [] : [one];
    if (ids.length > 0) {
      look.mutate(ids);
    }
  };
  useHotkeys('s', act, { enabled: !look.isPending, preventDefault: true });
  return view.chosen.size === 0 ? null : (
    <button type="button" className="act" disabled={look.isPending} onClick={act}>
      {look.isPending ? 'Looking…' : `Look at the ${view.chosen.size} again`} <Key>s</Key>
    </button>
  );
}

function TakeIn({ view }: { view: ReleaseView }) {
  useHotkeys('t', () => view.open('intake'));
  return (
    <button type="button" className="act" onClick={() => view.open('intake')}>
      Take in files <Key>t</Key>
    </button>
  );
}

function MakeBatch({ view, ready }: { view: ReleaseView; ready: number }) {
  const chosen = view.chosen.size;
  const enabled = chosen > 0 || ready > 0;
  useHotkeys('b', () => view.open('batch'), { enabled });
  return (
    <button type="button" className="act act-main" disabled={!enabled} onClick={() => view.open('batch')}>
      {chosen > 0 ? `Batch the ${chosen} chosen` : `Batch the ${ready} ready`} <Key>b</Key>
    </button>
  );
}
