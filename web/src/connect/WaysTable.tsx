import type { Schemas } from '../api/client';
import { money, plural } from '../ui/format';

type Way = Schemas['SiteWay'];

interface Props {
  ways: Way[];
  /** The currency of a ledger that cannot take what would go to it; empty where it can. */
  warns?: (way: Way) => string;
}

/** Where the waiting documents of each site go now, and where they would go. */
export function WaysTable({ ways, warns = () => '' }: Props) {
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
        {ways.map((way) => (
          <tr key={`${way.site} ${way.currency} ${way.now}`} data-site={way.site}>
            <td>{way.site === '' ? 'without a site' : way.site}</td>
            <td className="amount">{plural(way.documents, 'document')}</td>
            <td className="amount">{money(way.gross, way.currency)}</td>
            <td className="soft !pl-6">{way.now === '' ? 'nowhere' : `to ${way.now}`}</td>
            <td
              className={
                way.then === way.now
                  ? 'soft'
                  : `${way.then === '' ? 'text-accent' : 'text-secondary'} font-semibold`
              }
            >
              {way.then === '' ? 'nowhere' : `to ${way.then}`}
              {warns(way) !== '' && (
                <span className="text-accent font-normal">
                  , which keeps {warns(way)}: they would be blocked
                </span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
