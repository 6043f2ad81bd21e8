import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client } from '../api/client';
import { useCurrent } from '../app/current';
import { moment } from '../ui/format';
import { allSaid } from './meaning';
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
            <li key={each.setAt}>
              Version {each.version}: {each.meaning ? allSaid(each.meaning) : 'taken away'}{' '}
              <span className="soft">
                {each.setBy}, {moment(each.setAt)}
              </span>
            </li>
          ))}
        </ol>
      )}
    </span>
  );
}
