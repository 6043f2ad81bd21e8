import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { numbersQuery } from '../api/queries';
import { useView } from '../app/useView';
import { Failure } from '../ui/Failure';
import type { SettingJson } from './values';

const NAMES: Record<string, { name: string; setting: SettingJson['setting'] }> = {
  invoice: { name: 'Invoices', setting: 'INVOICES_FIRST_NUMBER' },
  'credit-note': { name: 'Credit notes', setting: 'CREDIT_NOTES_FIRST_NUMBER' },
};

interface Props {
  route: Schemas['RouteJson'];
  settings: SettingJson[];
}

/** The numbers of both sides beside each other, and one that neither has used. */
export function Numbers({ route, settings }: Props) {
  const view = useView();
  const numbers = useQuery(numbersQuery(route.code));
  const ledgerNumbers = settings.find((each) => each.setting === 'NUMBERED_BY')?.value === 'ledger';
  if (numbers.error) {
    return <Failure error={numbers.error} />;
  }
  return (
    <table className="slip mb-3 text-[13px]" aria-label="Numbers of both sides">
      <thead>
        <tr className="soft">
          <th />
          <th>Highest in {route.source}</th>
          <th>Highest on {route.ledger}</th>
          <th>In each other’s way</th>
          <th>Safe next</th>
        </tr>
      </thead>
      <tbody>
        {numbers.data?.map((each) => (
          <tr key={each.kind} data-kind={each.kind}>
            <td>{NAMES[each.kind]?.name ?? each.kind}</td>
            <td>{each.sourceHighest || '–'}</td>
            <td>{each.ledgerHighest || (route.toFiles ? 'not known' : '–')}</td>
            <td className={each.taken.length > 0 ? 'text-accent font-semibold' : ''}>
              {each.taken.length === 0
                ? 'none'
                : each.taken.slice(0, 3).join(', ') + (each.taken.length > 3 ? '…' : '')}
            </td>
            <td>
              {ledgerNumbers ? (
                <button
                  type="button"
                  className="cursor-pointer underline"
                  onClick={() =>
                    view.set(
                      { setting: NAMES[each.kind]?.setting ?? null, value: String(each.safeNext) },
                      { replace: true },
                    )
                  }
                >
                  {each.safeNext}
                </button>
              ) : (
                each.safeNext
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
