import type { Schemas } from '../api/client';
import { amount, plural } from '../ui/format';
import type { CutOver } from './queries';
import { PARTS, ROLES } from './words';

/** What stood on the accounts of both sides, with all that makes the difference. */
export function Balances({ route, sheet }: { route: Schemas['RouteJson']; sheet: CutOver }) {
  return (
    <table className="slip" aria-label="Balances of both sides">
      <thead>
        <tr>
          <th className="text-left">{sheet.currency}</th>
          <th className="amount text-primary">{route.source}</th>
          <th className="amount text-secondary">{route.ledger}</th>
          <th className="amount">Difference</th>
        </tr>
      </thead>
      <tbody>
        {sheet.balances.map((balance) => (
          <Balance key={balance.role} route={route} balance={balance} />
        ))}
      </tbody>
    </table>
  );
}

function Balance({ route, balance }: { route: Schemas['RouteJson']; balance: CutOver['balances'][number] }) {
  const agrees = Number(balance.difference) === 0;
  return (
    <>
      <tr>
        <td>
          <b>{ROLES[balance.role]}</b> <span className="soft">account {balance.account}</span>
        </td>
        <td className="amount">{amount(balance.here)}</td>
        <td className="amount">{amount(balance.there)}</td>
        <td className={`amount font-bold ${agrees ? '' : 'text-accent'}`}>
          {agrees ? 'they agree' : amount(balance.difference)}
        </td>
      </tr>
      {balance.parts.map((part) => (
        <tr key={part.what} className="text-[13px]">
          <td colSpan={3} className="soft pl-6">
            {PARTS[part.what]?.(part.count, route.source, route.ledger)}
          </td>
          <td className="amount">{amount(part.amount)}</td>
        </tr>
      ))}
      {balance.withoutRate > 0 && (
        <tr className="text-accent text-[13px]">
          <td colSpan={4} className="pl-6">
            {plural(balance.withoutRate, 'document')} in another currency left out: {route.ledger} keeps no
            rate for the day.
          </td>
        </tr>
      )}
    </>
  );
}
