import { useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { KINDS } from './kinds';
import { crosswalksQuery, type MapKind } from './queries';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { Failure } from '../ui/Failure';
import { useNotice } from '../ui/notices';
import { useDone } from '../undo/useTakeBack';
import { Together } from '../bulk/Together';
import { useChosen } from '../bulk/useChosen';
import { answered } from './Coverage';
import { comparing, MapTable } from './MapTable';
import { useChangeRow, type RowKind } from './useChangeRow';
import { useMapRows } from './useMapRows';

export type MapRow = Schemas['MapRow'];

const SELDOM = new Set<MapKind>(['supplier', 'means', 'payer', 'project', 'site', 'terms', 'choice']);

export function MapPage() {
  const { me, route } = useCurrent();
  const view = useView();
  const navigate = useNavigate();
  const at = KINDS.find((each) => each.kind === view.get('kind')) ?? KINDS[0];
  const summary = useQuery(crosswalksQuery(route.code));
  const countsOf = (kind: MapKind | undefined) =>
    summary.data?.find((each) => each.kind.toLowerCase() === kind);
  const [editing, setEditing] = useState<string | null>(null);
  const chosen = useChosen(at?.kind ?? 'item');
  const only = view.get('only');
  const text = useDeferredValue(view.get('text'));
  const list = useMapRows(at?.kind ?? 'item', text, only);
  const shown = list.rows;
  const rowOf = (code: string) =>
    shown.find((row) => row.code === code) ?? (list.begins === 0 ? shown[0] : undefined);
  const selected = rowOf(view.get('row'));
  const selectedNow = () => rowOf(view.now('row'));
  const kind = (at?.kind ?? 'item').toUpperCase() as RowKind;
  const change = useChangeRow();
  const accept = (row: MapRow | undefined) => {
    if (row?.suggestion && !row.row) {
      change.mutate({ kind, code: row.code, meaning: row.suggestion.meaning, expectedVersion: 0 });
    }
  };
  const keys = { enabled: me.mayChange, preventDefault: true };
  useHotkeys('e', () => setEditing(selectedNow()?.code ?? null), keys);
  useHotkeys('y', () => accept(selectedNow()), keys);
  useHotkeys('c', () => {
    const row = selectedNow();
    if (kind === 'PARTY' && row?.suggestion) {
      void navigate(comparing(route.code, row.code));
    }
  });

  return (
    <section aria-label="Crosswalk" className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0">
      <div className="border-base-300 flex flex-wrap items-center gap-1.5 border-b px-3 py-[2px]">
        {KINDS.map((each) => {
          const counts = countsOf(each.kind);
          const { open = 0, count = 0 } = counts ?? {};
          // Only a route that takes in bills has suppliers, and only a ledger with dimensions tells sites apart. Until
          // that is counted they are not shown, so that what one is about to press stays where it is.
          const none = SELDOM.has(each.kind) && count === 0 && each.kind !== at?.kind;
          return none ? null : (
            <button
              key={each.kind}
              type="button"
              className="chip relative overflow-hidden"
              aria-pressed={each.kind === at?.kind}
              onClick={() => view.set({ kind: each.kind, row: null, text: null })}
            >
              {each.name}
              {open > 0 && ` ${open} open`}
              {counts && count > 0 && (
                <i
                  className="bg-primary absolute bottom-0 left-0 h-[3px]"
                  style={{ width: `${answered(counts) * 100}%` }}
                />
              )}
            </button>
          );
        })}
        <input
          type="search"
          aria-label="Narrow the list"
          placeholder="Code or name"
          className="field ml-1 w-33"
          value={view.get('text')}
          onChange={(event) => view.set({ text: event.target.value }, { replace: true })}
        />
        <label className="flex items-center gap-1 text-[13px]">
          <input
            type="checkbox"
            checked={only === 'open'}
            onChange={() => view.set({ only: only === 'open' ? null : 'open' })}
          />
          open only
        </label>
        {at?.kind === 'party' && (
          <label className="flex items-center gap-1 text-[13px]">
            <input
              type="checkbox"
              checked={only === 'hidden'}
              onChange={() => view.set({ only: only === 'hidden' ? null : 'hidden' })}
            />
            hidden
          </label>
        )}
      </div>
      {chosen.codes.size > 0 && (
        <Together
          key={[...chosen.codes].join()}
          kind={kind}
          codes={[...chosen.codes]}
          onDone={() => chosen.choose(new Set())}
        />
      )}
      {change.error && <Failure error={change.error} />}
      {list.error && <Failure error={list.error} />}
      {at && (
        <MapTable
          kind={kind}
          heads={{ left: at.left, right: at.right }}
          counts={countsOf(at.kind)}
          beside={me.mayChange && <AcceptExact count={countsOf(at.kind)?.exact ?? 0} kind={kind} />}
          list={list}
          selected={selected?.code}
          selectedNow={() => selectedNow()?.code}
          editing={editing}
          chosen={me.mayChange ? chosen : undefined}
          onSelect={(code) => view.set({ row: code }, { replace: true })}
          onEdit={setEditing}
          onAccept={accept}
          hidden={only === 'hidden'}
        />
      )}
      {!list.loading && !list.error && shown.length === 0 && (
        <p className="p-6">
          {text === '' && only === ''
            ? `${route.source} has told of none yet; fetch both sides.`
            : 'No row matches. Clear the field or show the mapped ones too.'}
        </p>
      )}
    </section>
  );
}

/** Takes all suggestions that need no look at each: one of a kind, and certain. */
function AcceptExact({ count, kind }: { count: number; kind: RowKind }) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const done = useDone();
  const accept = useMutation({
    mutationFn: () => workDone(client.POST('/api/map/suggestions', { body: { route: route.code, kind } })),
    onSuccess: (accepted) =>
      done(accepted.sentence, { what: 'rows', rows: { route: route.code, kind, rows: accepted.rows } }),
    onSettled: refresh,
    onError: (error) => notice({ tone: 'failed', text: error.message }),
  });
  if (count === 0) {
    return null;
  }
  return (
    <button
      type="button"
      className="cursor-pointer font-sans text-[12px] font-semibold underline"
      disabled={accept.isPending}
      onClick={() => accept.mutate()}
    >
      Accept the {count} exact
    </button>
  );
}
