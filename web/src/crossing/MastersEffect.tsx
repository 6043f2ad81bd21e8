import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { Failure } from '../ui/Failure';
import { oneOf } from '../resolve/masters';
import { counted, plural } from '../ui/format';
import { Lacking } from './Lacking';
import { mastersEffectQuery } from './queries';
import type { Changes } from './rows';

type Kind = Schemas['MasterCauseJson']['kind'];

interface Props {
  route: Schemas['RouteJson'];
  kind: Kind;
  changes: Changes;
}

type Counts = Schemas['MasterFieldCounts'];

/** What would become, with the next run, of the fields of parties or items that stand on both sides. */
export function MastersEffect({ route, kind, changes }: Props) {
  const effect = useQuery(mastersEffectQuery(route.code, kind, changes));
  if (effect.error) {
    return <Failure error={effect.error} />;
  }
  if (!effect.data) {
    return null;
  }
  const { linked, now, would, lacking } = effect.data;
  const rows = ROWS.filter(({ of }) => now[of] > 0 || would[of] > 0);
  return (
    <section aria-label={`${kind === 'ITEMS' ? 'Items' : 'Parties'} on both sides`} className="mb-3">
      <p className="mb-1 text-[13px]">
        {plural(linked, oneOf(kind))} {linked === 1 ? 'stands' : 'stand'} on both sides
        {rows.length === 0 && ', and nothing of them would go anywhere'}.
      </p>
      <Lacking route={route} kind={kind} lacking={lacking} />
      {rows.length > 0 && (
        <table className="slip w-full text-[13px]">
          <thead className="soft text-[12px]">
            <tr>
              <th className="text-left font-normal">Their fields, with the next run</th>
              <th className="text-right font-normal">now</th>
              <th className="text-right font-normal">would</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ of, says }) => (
              <tr key={of} data-fields={of}>
                <td className="w-full">{says(route)}</td>
                <td className="amount soft pl-3">{counted(now[of])}</td>
                <td className={`amount pl-3 ${now[of] === would[of] ? '' : 'font-bold'}`}>
                  {counted(would[of])}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

const ROWS: { of: keyof Counts; says: (route: Schemas['RouteJson']) => string }[] = [
  { of: 'toLedger', says: ({ ledger }) => `Go to ${ledger}` },
  { of: 'toSource', says: ({ source }) => `Go to ${source}` },
  { of: 'overwritten', says: () => 'Of these, replace a change there' },
  { of: 'conflicts', says: () => 'Changed on both, asked about' },
  { of: 'drifts', says: () => 'Stay where they are, asked about' },
  { of: 'apart', says: () => 'Differ, and are left so' },
];
