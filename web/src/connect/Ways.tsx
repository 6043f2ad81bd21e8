import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { waysQuery } from '../api/queries';
import { WaysTable } from './WaysTable';

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
    <WaysTable
      ways={ways.data}
      warns={(way) => (way.then === ledger.name && way.currency !== ledger.currency ? ledger.currency : '')}
    />
  );
}
