import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { waysQuery } from '../api/queries';
import { money, plural } from '../ui/format';

interface Props {
  source: Schemas['SourceJson'];
  site: string;
  ledger: Schemas['LedgerJson'];
}

/** Where the waiting documents of each site go now, and where they would go. */
export function Ways({ source, site, ledger }: Props) {
  const ways = useQuery(waysQuery(source.id, site, ledger.name));
  if (!ways.data || source.system === 'files') {
    return null;
  }
  if (ways.data.length === 0) {
    return <p className="soft mt-2 text-[13px]">Nothing of {source.name} waits yet.</p>;
  }
  return (
    <table className="slip mt-3 max-w-[760px]" aria-label="What would go where">
      <thead>
        <tr className="soft">
          <th>Site</th>
          <th className="amount">Waiting</th>
          <th className="amount">Gross</th>
          <th className="!pl-6">Goes now</th>
          <th>Would go</th>
        </tr>
      </thead>
      <tbody>
        {ways.data.map((way) => (
          <tr key={`${way.site} ${way.currency} ${way.now}`} data-site={way.site}>
            <td>{way.site === '' ? 'without a site' : way.site}</td>
            <td className="amount">{plural(way.documents, 'document')}</td>
            <td className="amount">{money(way.gross, way.currency)}</td>
            <td className="soft !pl-6">{way.now === '' ? 'nowhere' : `to ${way.now}`}</td>
            <td className={way.then === way.now ? 'soft' : 'text-secondary font-semibold'}>
              {way.then === '' ? 'nowhere' : `to ${way.then}`}
              {way.then === ledger.name && way.currency !== ledger.currency && (
                <span className="text-accent font-normal">
                  , which keeps {ledger.currency}: they would be blocked
                </span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
