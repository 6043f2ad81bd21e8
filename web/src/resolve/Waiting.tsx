import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, client } from '../api/client';
import { useCurrent } from '../app/current';
import { day, money, plural } from '../ui/format';
import type { Warning } from './warnings';

const SHOWN = 25;

/** What waits for a cause, the latest first. */
export function Waiting({ warning }: { warning: Warning }) {
  const { route } = useCurrent();
  const waiting = useQuery({
    queryKey: ['documents', 'waiting', { route: route.code, cause: warning.cause }],
    queryFn: () =>
      answer(
        client.GET('/api/documents', {
          params: {
            query: { route: route.code, state: ['Blocked'], cause: warning.cause, limit: SHOWN },
          },
        }),
      ),
  });
  if (!waiting.data || waiting.data.rows.length === 0) {
    return null;
  }
  const { rows } = waiting.data;
  return (
    <section aria-label="What waits for it" className="border-base-300 border-t px-4 py-2.5">
      <h3 className="soft mb-1 text-[12.5px] font-semibold">
        {rows.length < warning.count
          ? `What waits for it, the latest ${rows.length} of ${plural(warning.count, 'record')}`
          : 'What waits for it'}
      </h3>
      <table className="w-full max-w-[860px] border-collapse text-[13.5px]">
        <tbody>
          {rows.map((each) => (
            <tr key={each.id} className="border-base-300 h-[28px] border-b">
              <td className="pr-3">
                <Link className="named" to={`/documents/${each.id}?route=${route.code}`}>
                  {each.number}
                </Link>
              </td>
              <td className="soft pr-3">{day(each.issueDate)}</td>
              <td className="pr-3">{each.party}</td>
              <td className="text-right">{money(each.gross, each.currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
