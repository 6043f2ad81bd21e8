import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client } from '../api/client';
import { useCurrent } from '../app/current';
import { moment } from '../ui/format';
import { saidBy } from './meaning';
import type { RowKind } from './useChangeRow';

/** Who changed the row when, version by version. */
export function History({ kind, code }: { kind: RowKind; code: string }) {
  const { route } = useCurrent();
  const [open, setOpen] = useState(false);
  const history = useQuery({
    queryKey: ['map', 'history', route.code, kind, code],
    queryFn: () =>
      answer(client.GET('/api/map/history', { params: { query: { route: route.code, kind, code } } })),
    enabled: open,
  });
  return (
    <span className="shrink-0 text-[12px]">
      <button
        type="button"
        className="cursor-pointer underline"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        History
      </button>
      {open && (
        <ol className="sheet fixed right-8 z-10 mt-1 p-3 shadow-lg">
          {history.data?.map((each) => (
            <li key={`${each.setAt} ${each.version}`}>
              Version {each.version}: {saidBy(each.says) || (each.meaning ? 'a new one' : 'taken away')}{' '}
              <span className="soft">
                {each.setBy}, {moment(each.setAt)}
              </span>
              {each.note !== '' && <q className="block">{each.note}</q>}
            </li>
          ))}
        </ol>
      )}
    </span>
  );
}
