import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { plural } from '../ui/format';
import { alertsQuery } from './queries';

/** How much there is to look at, wherever one is; nothing where there is nothing. */
export function AlertsChip({ route }: { route: Schemas['RouteJson'] }) {
  const alerts = useQuery({ ...alertsQuery(route.code), enabled: route.ledger !== '' }).data?.alerts ?? [];
  if (alerts.length === 0) {
    return null;
  }
  return (
    <Link
      to={`/connect?view=alerts&route=${route.code}`}
      className="text-error border-error rounded border px-2 text-[13px] whitespace-nowrap"
      title={alerts.map((each) => each.sentence).join('\n')}
      data-alerts={alerts.length}
    >
      {plural(alerts.length, 'alert')}
    </Link>
  );
}
