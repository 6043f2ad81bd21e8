import { useMutation, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useSession } from '../app/current';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { moment, plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { useHotkeys } from 'react-hotkeys-hook';
import { alertsQuery } from './queries';
import { WhoIsTold } from './WhoIsTold';

interface Props {
  route: Schemas['RouteJson'];
}

/** What there is to look at on a route, for as long as it lasts; and who is written to about it. */
export function AlertsPage({ route }: Props) {
  const { me } = useSession();
  const alerts = useQuery(alertsQuery(route.code));
  if (alerts.error) {
    return <Failure error={alerts.error} />;
  }
  if (!alerts.data) {
    return <p className="p-4">Looking…</p>;
  }
  const { rule, mail } = alerts.data;
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_380px] max-[1000px]:grid-cols-1">
      <section aria-label="Alerts" className="min-h-0 overflow-auto p-4">
        <h1 className="title mb-2 text-[18px]">
          {alerts.data.alerts.length === 0
            ? 'Nothing to look at'
            : `${plural(alerts.data.alerts.length, 'thing')} to look at`}
        </h1>
        {alerts.data.alerts.length === 0 && (
          <p className="soft max-w-[560px]">
            No run failed, nothing waits longer than is said beside, and no consent is about to end.
          </p>
        )}
        <ul className="max-w-[760px]">
          {alerts.data.alerts.map((each) => (
            <li
              key={each.sentence}
              data-alert
              className="border-error mb-2 flex items-baseline gap-4 border-l-[3px] py-1 pl-3"
            >
              <span className="flex-1">
                {each.sentence}
                <span className="soft block text-[12.5px]">{moment(each.at)}</span>
              </span>
              <Link className="act" to={each.path}>
                Look at it
              </Link>
            </li>
          ))}
        </ul>
        {me.role === 'ADMINISTRATOR' &&
          alerts.data.alerts.length > 0 &&
          rule.recipients.length > 0 &&
          mail && <SendNow route={route.code} />}
      </section>
      <aside aria-label="Who is told" className="border-base-300 min-h-0 overflow-auto border-l p-4">
        <WhoIsTold
          key={rule.version}
          route={route.code}
          rule={rule}
          mail={mail}
          mayChange={me.role === 'ADMINISTRATOR'}
        />
      </aside>
    </div>
  );
}

function SendNow({ route }: { route: string }) {
  const notice = useNotice();
  const refresh = useRefresh();
  const send = useMutation({
    mutationFn: () => answer(client.POST('/api/alerts/letter', { params: { query: { route } } })),
    onSuccess: ({ to }) =>
      notice({ tone: 'done', text: `A letter goes to ${to === 1 ? 'one address' : `${to} addresses`}` }),
    onSettled: refresh,
  });
  useHotkeys('m', () => send.mutate(), { enabled: !send.isPending });
  return (
    <>
      <button type="button" className="act" disabled={send.isPending} onClick={() => send.mutate()}>
        Send them now <Key>m</Key>
      </button>
      {send.error && <Failure error={send.error} />}
    </>
  );
}
