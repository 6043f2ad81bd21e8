import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { useSession } from '../app/current';
import { moneys, plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { EndRoute } from './EndRoute';
import { MoveRoute } from './MoveRoute';
import { RouteForm } from './RouteForm';
import { useConnectRefresh } from './useConnectRefresh';

/** Which source crosses to which ledger. */
export function RoutesPage({ connected }: { connected: Schemas['Connected'] }) {
  const { me } = useSession();
  const [open, setOpen] = useState<Open>(null);
  const [adding, setAdding] = useState(false);
  const routes = connected.routes.filter((route) => route.ledgerId !== 0 && !route.ended);
  const ended = connected.routes.filter((route) => route.ended);
  const unrouted = connected.routes.filter((route) => route.ledgerId === 0);
  const missing = routes.length === 0 || unrouted.length > 0;
  const mayAdd = me.role === 'ADMINISTRATOR' && connected.sources.length > 0 && connected.ledgers.length > 0;
  return (
    <section aria-label="Routes" className="border-base-300 border-t p-4">
      <h2 className="title mb-2">Routes from the one to the other</h2>
      {routes.length === 0 && <p className="mb-2">No route yet: nothing can cross.</p>}
      <table className="book" aria-label="Routes">
        <colgroup>
          <col style={{ width: '24%' }} />
          <col style={{ width: '20%' }} />
          <col style={{ width: '14%' }} />
          <col style={{ width: '18%' }} />
          <col style={{ width: '24%' }} />
        </colgroup>
        <tbody>
          {unrouted.map((route) => (
            <tr key={route.id} data-route={route.code}>
              <td className="text-primary font-semibold">{route.source}</td>
              <td className="text-accent font-semibold">nowhere: sites without a route</td>
              <td>{plural(route.documents, 'document')}</td>
              <td className="amount">{moneys(route.waiting)}</td>
              <td className="text-right">
                <Link className="underline" to={`/release?route=${route.code}`}>
                  See them
                </Link>
              </td>
            </tr>
          ))}
          {routes.map((route) => (
            <tr key={route.id} data-route={route.code}>
              <td className="text-primary font-semibold">
                {route.source}
                <span className="soft font-normal">
                  {route.site === '' ? ', all without a route of their own' : ` at ${route.site}`}
                </span>
              </td>
              <td className="text-secondary font-semibold">{route.ledger}</td>
              <td className="soft">{plural(route.documents, 'document')}</td>
              <td className="amount soft">
                {route.waiting.length === 0 ? 'nothing' : moneys(route.waiting)} waiting
              </td>
              <td className="text-right">
                {me.role === 'ADMINISTRATOR' && connected.ledgers.length > 1 && (
                  <Opens open={open} to="move" route={route.code} onOpen={setOpen}>
                    Move to another company…
                  </Opens>
                )}
                {me.role === 'ADMINISTRATOR' && (
                  <Opens open={open} to="end" route={route.code} onOpen={setOpen}>
                    End it…
                  </Opens>
                )}
              </td>
            </tr>
          ))}
          {ended.map((route) => (
            <Ended key={route.id} route={route} mayBegin={me.role === 'ADMINISTRATOR'} />
          ))}
        </tbody>
      </table>
      {connected.routes
        .filter((route) => route.code === open?.route)
        .map((route) =>
          open?.to === 'end' ? (
            <EndRoute key={route.code} route={route} onDone={() => setOpen(null)} />
          ) : (
            <MoveRoute
              key={route.code}
              route={route}
              ledgers={connected.ledgers}
              onDone={() => setOpen(null)}
            />
          ),
        )}
      {mayAdd && (missing || adding) && (
        <RouteForm
          sources={connected.sources}
          ledgers={connected.ledgers}
          onDone={adding ? () => setAdding(false) : undefined}
        />
      )}
      {mayAdd && !missing && !adding && (
        <button type="button" className="act mt-3" onClick={() => setAdding(true)}>
          Add a route
        </button>
      )}
    </section>
  );
}

type Open = { route: string; to: 'move' | 'end' } | null;

interface OpensProps {
  open: Open;
  to: 'move' | 'end';
  route: string;
  onOpen: (open: Open) => void;
  children: string;
}

function Opens({ open, to, route, onOpen, children }: OpensProps) {
  const here = open?.route === route && open.to === to;
  return (
    <button
      type="button"
      className="ml-4 cursor-pointer underline"
      aria-expanded={here}
      onClick={() => onOpen(here ? null : { route, to })}
    >
      {children}
    </button>
  );
}

/** What crossed by it can be looked at, and it can be begun again. */
function Ended({ route, mayBegin }: { route: Schemas['ConnectedRoute']; mayBegin: boolean }) {
  const notice = useNotice();
  const refresh = useConnectRefresh();
  const again = useMutation({
    mutationFn: () =>
      workDone(client.POST('/api/connect/routes/{code}/again', { params: { path: { code: route.code } } })),
    onSuccess: async () => {
      await refresh();
      notice({ tone: 'done', text: `The route to ${route.ledger} leads again, with its crosswalk` });
    },
    onError: (error) => notice({ tone: 'failed', text: error.message }),
  });
  return (
    <tr data-route={route.code} data-ended="true" className="soft">
      <td>
        {route.source}
        {route.site !== '' && ` at ${route.site}`}
      </td>
      <td>ended, led to {route.ledger}</td>
      <td>
        {route.documents === 0 ? (
          'nothing crossed by it'
        ) : (
          <Link className="underline" to={`/release?route=${route.code}`}>
            {plural(route.documents, 'document')} crossed
          </Link>
        )}
      </td>
      <td />
      <td className="text-right">
        {mayBegin && (
          <button
            type="button"
            className="cursor-pointer underline"
            disabled={again.isPending}
            onClick={() => again.mutate()}
          >
            Begin it again
          </button>
        )}
      </td>
    </tr>
  );
}
