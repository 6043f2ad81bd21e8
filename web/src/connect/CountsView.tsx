import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { countsQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { Figure } from '../help/Figure';
import { amount } from '../ui/format';

/** How much of everything each side has, the ledger's as it says itself at this moment. */
export function CountsView({ route }: { route: Schemas['RouteJson'] }) {
  const counts = useQuery(countsQuery(route.code));
  if (counts.error) {
    return <Failure error={counts.error} />;
  }
  if (!counts.data) {
    return <p className="p-4">Asking {route.ledger}…</p>;
  }
  return (
    <div className="p-4">
      <table className="slip max-w-[560px]" aria-label="Counts of both sides">
        <thead>
          <tr>
            <th />
            <th className="amount text-primary">{route.source}</th>
            <th className="amount text-secondary">
              <Figure rule="both-sides" name="Counts of both sides">
                {route.ledger}
              </Figure>
            </th>
          </tr>
        </thead>
        <tbody>
          {counts.data.map((row) => (
            <tr key={row.name}>
              <td>
                {row.name}
                {row.source.includes('.') && `, ${route.currency}`}
              </td>
              <td className="amount">{amount(row.source)}</td>
              <td className="amount">{row.ledger === '' ? '–' : amount(row.ledger)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft mt-3 max-w-[560px] text-[13px]">
        {route.toFiles
          ? `${route.ledger} takes files and cannot be asked, so its side is not known.`
          : `${route.ledger} counts everything on its books, also what was entered there by hand and what other routes sent.`}{' '}
        Credit notes count negative.
      </p>
    </div>
  );
}
