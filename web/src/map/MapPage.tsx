import { useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { crosswalksQuery, type MapKind } from './queries';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { Failure } from '../ui/Failure';
import { useNotice } from '../ui/notices';
import { useDone } from '../undo/useTakeBack';
import { Together } from '../bulk/Together';
import { useChosen } from '../bulk/useChosen';
import { Coverage } from './Coverage';
import { comparing, MapTable } from './MapTable';
import { useChangeRow, type RowKind } from './useChangeRow';
import { useMapRows } from './useMapRows';

export type MapRow = Schemas['MapRow'];

export const KINDS: { kind: MapKind; name: string; left: string; right: string }[] = [
  { kind: 'item', name: 'Items', left: 'Item', right: 'Account or item' },
  { kind: 'category', name: 'Categories', left: 'Category', right: 'Account' },
  { kind: 'tax', name: 'Tax codes', left: 'Tax', right: 'Tax code' },
  { kind: 'party', name: 'Parties', left: 'Party', right: 'Party' },
  { kind: 'supplier', name: 'Suppliers', left: 'Bought from', right: 'Account' },
  { kind: 'project', name: 'Jobs', left: 'Project or job', right: 'Account of its income' },
  { kind: 'site', name: 'Sites', left: 'Site', right: 'What its lines are told apart by' },
  { kind: 'line_kind', name: 'Kinds of line', left: 'Kind', right: 'Account of its income' },
  { kind: 'means', name: 'Means of payment', left: 'Means', right: 'Account that the money moves on' },
  { kind: 'payer', name: 'Who pays for whom', left: 'Who', right: 'Whether that is right' },
  { kind: 'role', name: 'Account roles', left: 'Role', right: 'Account' },
];

const SELDOM = new Set<MapKind>(['supplier', 'means', 'payer', 'project', 'site']);

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
          const { open = 0, count = 1 } = countsOf(each.kind) ?? {};
          // Only a route that takes in bills has suppliers, and only a ledger with dimensions tells sites apart.
          const none = SELDOM.has(each.kind) && count === 0;
          return none ? null : (
            <button
              key={each.kind}
              type="button"
              className="chip"
              aria-pressed={each.kind === at?.kind}
              onClick={() => view.set({ kind: each.kind, row: null, text: null })}
            >
              {each.name}
              {open > 0 && ` ${open} open`}
            </button>
          );
        })}
        <input
          type="search"
          aria-label="Narrow the list"
          placeholder="Code or name"
          className="field ml-1 w-33"
          value={view.get('text')}
          onChange={(event) => view.set({ text: event.target.value }, true)}
        />
        <label className="flex items-center gap-1 text-[13px]">
          <input
            type="checkbox"
            checked={only === 'open'}
            onChange={() => view.set({ only: only === 'open' ? null : 'open' })}
          />
          open only
        </label>
        <span className="ml-auto flex items-center gap-3">
          {me.mayChange && <AcceptExact count={countsOf(at?.kind)?.exact ?? 0} kind={kind} />}
          <Coverage counts={countsOf(at?.kind)} />
        </span>
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
          list={list}
          selected={selected?.code}
          selectedNow={() => selectedNow()?.code}
          editing={editing}
          chosen={me.mayChange ? chosen : undefined}
          onSelect={(code) => view.set({ row: code }, true)}
          onEdit={setEditing}
          onAccept={accept}
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
    <button type="button" className="act" disabled={accept.isPending} onClick={() => accept.mutate()}>
      Accept the {count} exact
    </button>
  );
}
