import { toTheEnd } from '../api/toTheEnd';
import { useInfiniteQuery, useMutation, useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { referenceQuery, usesQuery, type ReferenceKind } from '../api/queries';
import { useSession } from '../app/current';
import { useView } from '../app/useView';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Failure } from '../ui/Failure';
import { counted, plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { useDone } from '../undo/useTakeBack';
import { rowOf } from './codes';
import { Pulls } from './Pulls';
import { useConnectRefresh } from './useConnectRefresh';

const KINDS: { kind: ReferenceKind; name: string; note: string }[] = [
  { kind: 'ACCOUNT', name: 'Accounts', note: 'Type' },
  { kind: 'TAX_CODE', name: 'Tax codes', note: 'Rate, category' },
  { kind: 'PARTY', name: 'Parties', note: 'Tax identifier' },
  { kind: 'ITEM', name: 'Items', note: 'Account' },
  { kind: 'DIMENSION', name: 'Dimensions', note: 'Dimension' },
  { kind: 'RATE', name: 'Rates', note: 'Rate' },
  { kind: 'TERM', name: 'Terms', note: 'Due' },
  { kind: 'FIELD', name: 'Fields', note: 'Type' },
];

/** What a ledger owns: read-only here, with what changed at each pull and what of it is in use. */
export function ReferencePage({ ledgers }: { ledgers: Schemas['LedgerJson'][] }) {
  const view = useView();
  const ledger = ledgers.find((each) => String(each.id) === view.get('ledger')) ?? ledgers[0];
  const at = KINDS.find((each) => each.kind === view.get('kind')) ?? KINDS[0];
  if (!ledger || !at) {
    return <p className="p-6">No ledger is connected yet; what it owns will stand here.</p>;
  }
  return (
    <div className="flex min-h-0 flex-1">
      <div className="flex min-h-0 flex-1 flex-col">
        <div className="flex flex-wrap items-center gap-1.5 px-3 py-[2px]">
          {ledgers.length > 1 && (
            <select
              aria-label="Ledger"
              className="field mr-1 w-32"
              value={ledger.id}
              onChange={(event) => view.set({ ledger: event.target.value })}
            >
              {ledgers.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ))}
            </select>
          )}
          {KINDS.map((each) => (
            <button
              key={each.kind}
              type="button"
              className="chip"
              aria-pressed={each.kind === at.kind}
              onClick={() => view.set({ kind: each.kind, text: null, row: null })}
            >
              {each.name}
            </button>
          ))}
          <input
            type="search"
            aria-label="Narrow the list"
            placeholder="Code or name"
            className="field w-31"
            value={view.get('text')}
            onChange={(event) => view.set({ text: event.target.value }, { replace: true })}
          />
          <label className="flex items-center gap-1 text-[13px]">
            <input
              type="checkbox"
              checked={view.get('hidden') !== ''}
              onChange={() => view.set({ hidden: view.get('hidden') === '' ? 'shown' : null })}
            />
            hidden too
          </label>
        </div>
        <Rows key={`${ledger.id} ${at.kind}`} ledger={ledger} kind={at.kind} note={at.note} />
      </div>
      <Pulls ledger={ledger} />
    </div>
  );
}

const text = (
  id: string,
  name: string,
  value: (row: Schemas['ReferenceRow']) => string,
): Column<Schemas['ReferenceRow']> => ({
  id,
  name,
  value,
  cell: value,
  tone: (row) => (row.active ? undefined : 'soft'),
});

function Rows({ ledger, kind, note }: { ledger: Schemas['LedgerJson']; kind: ReferenceKind; note: string }) {
  const { me } = useSession();
  const view = useView();
  const notice = useNotice();
  const done = useDone();
  const refresh = useConnectRefresh();
  const [open, setOpen] = useState<string | null>(null);
  const pages = useInfiniteQuery(
    referenceQuery(ledger.id, kind, view.get('text'), view.get('hidden') !== ''),
  );
  const rows = useMemo(() => pages.data?.pages.flatMap((page) => page.rows) ?? [], [pages.data]);
  const hide = useMutation({
    mutationFn: (row: Schemas['ReferenceRow']) =>
      answer(
        client.PUT('/api/connect/ledgers/{id}/reference/{kind}/hidden', {
          params: { path: { id: ledger.id, kind } },
          body: { code: row.code, hidden: !row.hidden },
        }),
      ),
    onSuccess: (_, row) =>
      done(`${row.code} ${row.name} is ${row.hidden ? 'shown' : 'hidden'}`, {
        what: 'hidden',
        ledger: ledger.id,
        kind,
        code: row.code,
        hidden: row.hidden,
      }),
    onError: (error) => notice({ tone: 'failed', text: error.message }),
    onSettled: refresh,
  });
  const used: Column<Schemas['ReferenceRow']> = {
    id: 'used',
    name: 'Used here',
    width: 150,
    wraps: true,
    value: (row) => row.uses,
    cell: (row) =>
      row.uses > 0 ? (
        <>
          <button
            type="button"
            className="cursor-pointer underline"
            aria-expanded={open === row.code}
            onClick={() => setOpen(open === row.code ? null : row.code)}
          >
            by {plural(row.uses, 'row')}
          </button>
          {open === row.code && <Uses ledger={ledger.id} kind={kind} code={row.code} />}
        </>
      ) : (
        <span className="soft">by nothing</span>
      ),
  };
  const shown: Column<Schemas['ReferenceRow']> = {
    id: 'shown',
    name: 'Show or hide',
    unnamed: true,
    width: 70,
    cell: (row) =>
      me.role === 'ADMINISTRATOR' &&
      (row.uses === 0 || row.hidden) && (
        <button type="button" className="cursor-pointer underline" onClick={() => hide.mutate(row)}>
          {row.hidden ? 'Show' : 'Hide'}
        </button>
      ),
  };
  if (pages.error) {
    return <Failure error={pages.error} />;
  }
  const hidden = pages.data?.pages[0]?.hidden ?? 0;
  const columns: Column<Schemas['ReferenceRow']>[] = [
    { ...text('code', 'Code', (row) => row.code), width: 110 },
    { ...text('name', 'Name', (row) => row.name), title: (row) => row.name },
    { ...text('note', note, (row) => row.note), width: 150 },
    {
      ...text('state', 'State', (row) => (row.hidden ? 'hidden' : row.active ? 'active' : 'inactive')),
      width: 90,
    },
    ...(kind === 'RATE' ? [] : [used, shown]),
  ];
  return (
    <>
      <Book
        name={`reference-${kind.toLowerCase()}`}
        label="Reference data"
        columns={columns}
        rows={rows}
        keyOf={(row) => row.code}
        dataOf={(row) => ({ code: row.code })}
        readAll={
          pages.hasNextPage ? async () => (await toTheEnd(pages)).flatMap((page) => page.rows) : undefined
        }
        onEnd={() => pages.hasNextPage && !pages.isFetchingNextPage && void pages.fetchNextPage()}
        empty={
          pages.isSuccess && <p className="soft p-3 text-[13px]">Nothing here. Pull, or clear the field.</p>
        }
      />
      <p className="soft border-base-300 border-t px-3 text-[12px] leading-[17px]">
        {counted(rows.length)} {pages.hasNextPage ? 'read so far' : 'shown'}
        {hidden > 0 && `, ${hidden} hidden`}
      </p>
    </>
  );
}

function Uses({ ledger, kind, code }: { ledger: number; kind: ReferenceKind; code: string }) {
  const uses = useQuery(usesQuery(ledger, kind, code));
  return (
    <ul className="text-[12.5px]">
      {uses.data?.uses.map((use) => (
        <li key={`${use.route} ${use.kind} ${use.code}`}>
          {rowOf(use.kind, use.code)} ({use.route}): {plural(use.documents, 'document')}
        </li>
      ))}
    </ul>
  );
}
