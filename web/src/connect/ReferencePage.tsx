import { useInfiniteQuery, useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { referenceQuery, usesQuery, type ReferenceKind } from '../api/queries';
import { useSession } from '../app/current';
import { useView } from '../app/useView';
import { Failure } from '../ui/Failure';
import { plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { rowOf } from './codes';
import { Pulls } from './Pulls';
import { useConnectRefresh } from './useConnectRefresh';

const KINDS: { kind: ReferenceKind; name: string; note: string }[] = [
  { kind: 'ACCOUNT', name: 'Accounts', note: 'Type' },
  { kind: 'TAX_CODE', name: 'Tax codes', note: 'Rate, category' },
  { kind: 'PARTY', name: 'Parties', note: 'Tax identifier' },
  { kind: 'ITEM', name: 'Items', note: 'Account' },
  { kind: 'DIMENSION', name: 'Dimensions', note: 'Dimension' },
  { kind: 'RATE', name: 'Exchange rates', note: 'Rate' },
  { kind: 'TERM', name: 'Terms', note: 'Days' },
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
        <div className="flex flex-wrap items-center gap-1.5 px-3 py-2">
          {ledgers.length > 1 && (
            <select
              aria-label="Ledger"
              className="field mr-2"
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
            className="field w-44"
            value={view.get('text')}
            onChange={(event) => view.set({ text: event.target.value }, true)}
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

function Rows({ ledger, kind, note }: { ledger: Schemas['LedgerJson']; kind: ReferenceKind; note: string }) {
  const { me } = useSession();
  const view = useView();
  const notice = useNotice();
  const refresh = useConnectRefresh();
  const [open, setOpen] = useState<string | null>(null);
  const pages = useInfiniteQuery(
    referenceQuery(ledger.id, kind, view.get('text'), view.get('hidden') !== ''),
  );
  const rows = pages.data?.pages.flatMap((page) => page.rows) ?? [];
  const hide = useMutation({
    mutationFn: (row: Schemas['ReferenceRow']) =>
      answer(
        client.PUT('/api/connect/ledgers/{id}/reference/{kind}/hidden', {
          params: { path: { id: ledger.id, kind } },
          body: { code: row.code, hidden: !row.hidden },
        }),
      ),
    onError: (error) => notice({ tone: 'failed', text: error.message }),
    onSettled: refresh,
  });
  if (pages.error) {
    return <Failure error={pages.error} />;
  }
  const hidden = pages.data?.pages[0]?.hidden ?? 0;
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <table className="book" aria-label="Reference data">
        <colgroup>
          <col style={{ width: 110 }} />
          <col />
          <col style={{ width: 150 }} />
          <col style={{ width: 90 }} />
          <col style={{ width: 150 }} />
          <col style={{ width: 70 }} />
        </colgroup>
        <thead>
          <tr className="soft">
            <th>Code</th>
            <th>Name</th>
            <th>{note}</th>
            <th>State</th>
            <th>{kind !== 'RATE' && 'Used here'}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.code} data-code={row.code} className={row.active ? '' : 'soft'}>
              <td>{row.code}</td>
              <td title={row.name}>{row.name}</td>
              <td>{row.note}</td>
              <td>{row.hidden ? 'hidden' : row.active ? 'active' : 'inactive'}</td>
              <td className={open === row.code ? '!whitespace-normal' : ''}>
                {row.uses > 0 ? (
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
                  kind !== 'RATE' && <span className="soft">by nothing</span>
                )}
              </td>
              <td>
                {kind !== 'RATE' && me.role === 'ADMINISTRATOR' && (row.uses === 0 || row.hidden) && (
                  <button type="button" className="cursor-pointer underline" onClick={() => hide.mutate(row)}>
                    {row.hidden ? 'Show' : 'Hide'}
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft flex gap-3 p-3 text-[13px]">
        {pages.isSuccess && rows.length === 0 && 'Nothing here. Pull, or clear the field.'}
        {rows.length > 0 && `${rows.length.toLocaleString('en-GB')} shown`}
        {hidden > 0 && `, ${hidden} hidden`}
        {pages.hasNextPage && (
          <button
            type="button"
            className="cursor-pointer underline"
            disabled={pages.isFetchingNextPage}
            onClick={() => void pages.fetchNextPage()}
          >
            {pages.isFetchingNextPage ? 'Reading…' : 'Show more'}
          </button>
        )}
      </p>
    </div>
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
