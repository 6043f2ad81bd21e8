import { useMutation, useQueries } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { client } from '../api/client';
import { workDone } from '../api/work';
import { openRowsQuery, type MapKind } from '../map/queries';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { amount, plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { did } from '../undo/store';
import { Do } from './Do';
import { suggested, type Suggested } from './suggested';
import type { Kind } from './steps';
import { useConnectRefresh } from './useConnectRefresh';

/** Shows what is suggested for what is open, and takes over what stays ticked. */
export function AcceptSuggested({ kinds, link }: { kinds: Kind[]; link: string }) {
  const { route } = useCurrent();
  const lists = useQueries({
    queries: kinds.map((kind) => openRowsQuery(route.code, kind.toLowerCase() as MapKind)),
  });
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const rows = kinds.flatMap((kind, index) => suggested(kind, lists[index]?.data?.rows ?? []));
  const taken = rows.filter((row) => !left.has(row.key));
  const accept = useAccept(kinds, taken);
  const toggle = (key: string) => {
    const next = new Set(left);
    if (!next.delete(key)) {
      next.add(key);
    }
    setLeft(next);
  };
  if (lists.some((list) => list.isPending)) {
    return <p>Looking for what fits…</p>;
  }
  return (
    <div className="text-base-content">
      <table className="slip my-2 max-w-[860px]" aria-label="Suggestions">
        <tbody>
          {rows.map((row) => (
            <Line key={row.key} row={row} taken={!left.has(row.key)} onToggle={() => toggle(row.key)} />
          ))}
        </tbody>
      </table>
      {accept.error && <Failure error={accept.error} />}
      {rows.length === 0 ? (
        <p>Nothing is suggested for what is open; it needs your choice.</p>
      ) : (
        <Do
          says={accept.isPending ? 'Compiling again…' : `Take over ${plural(taken.length, 'suggestion')}`}
          pending={accept.isPending || taken.length === 0}
          onDo={() => accept.mutate()}
        />
      )}
      <p className="mt-1 text-[13px]">
        <Link className="underline" to={link}>
          Choose others by hand
        </Link>
      </p>
    </div>
  );
}

/** Kind by kind, each in one transaction with one compiling. */
function useAccept(kinds: Kind[], taken: Suggested[]) {
  const { route } = useCurrent();
  const notice = useNotice();
  const refresh = useConnectRefresh();
  return useMutation({
    mutationFn: async () => {
      const said: string[] = [];
      for (const kind of kinds) {
        const codes = taken.filter((row) => row.kind === kind).map((row) => row.code);
        if (codes.length > 0) {
          const body = { route: route.code, kind, codes };
          const { sentence, rows } = await workDone(client.POST('/api/map/suggestions', { body }));
          did(sentence, { what: 'rows', rows: { route: route.code, kind, rows } });
          said.push(sentence);
        }
      }
      return said.join('; ');
    },
    onSuccess: async (text) => {
      await refresh();
      notice({ tone: 'done', text });
    },
  });
}

function Line({ row, taken, onToggle }: { row: Suggested; taken: boolean; onToggle: () => void }) {
  return (
    <tr data-suggestion={row.code}>
      <td className="w-8">
        <input type="checkbox" aria-label={`Take over ${row.code}`} checked={taken} onChange={onToggle} />
      </td>
      <td className="text-primary w-[260px]">{row.left}</td>
      <td className="text-secondary">{row.right}</td>
      <td className="soft">{row.reason}</td>
      <td className="amount">{row.blocked === '0.00' ? '' : amount(row.blocked)}</td>
    </tr>
  );
}
