import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, client, type Schemas } from '../api/client';
import { movePlanQuery } from '../api/queries';
import { useSession } from '../app/current';
import { Failure } from '../ui/Failure';
import { amount, money, plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { rowOf } from './codes';
import { RouteForm } from './RouteForm';
import { useConnectRefresh } from './useConnectRefresh';

/** Which source crosses to which ledger. */
export function RoutesPage({ connected }: { connected: Schemas['Connected'] }) {
  const { me } = useSession();
  const [moving, setMoving] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const routes = connected.routes.filter((route) => route.ledgerId !== 0);
  const unrouted = connected.routes.filter((route) => route.ledgerId === 0);
  const missing = routes.length === 0 || unrouted.length > 0;
  const mayAdd = me.role === 'ADMINISTRATOR' && connected.sources.length > 0 && connected.ledgers.length > 0;
  return (
    <section aria-label="Routes" className="border-base-300 border-t p-4">
      <h2 className="title mb-2">Routes from the one to the other</h2>
      {routes.length === 0 && <p className="mb-2">No route yet: nothing can cross.</p>}
      <table className="book" aria-label="Routes">
        <tbody>
          {unrouted.map((route) => (
            <tr key={route.id} data-route={route.code}>
              <td className="text-primary font-semibold">{route.source}</td>
              <td className="text-accent font-semibold">nowhere: sites without a route</td>
              <td>{plural(route.documents, 'document')}</td>
              <td className="amount">{money(route.waiting, route.currency)}</td>
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
              <td className="amount soft">{money(route.waiting, route.currency)} waiting</td>
              <td className="text-right">
                {me.role === 'ADMINISTRATOR' && connected.ledgers.length > 1 && (
                  <button
                    type="button"
                    className="cursor-pointer underline"
                    aria-expanded={moving === route.code}
                    onClick={() => setMoving(moving === route.code ? null : route.code)}
                  >
                    Move to another company…
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {connected.routes
        .filter((route) => route.code === moving)
        .map((route) => (
          <Move key={route.code} route={route} ledgers={connected.ledgers} onDone={() => setMoving(null)} />
        ))}
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

interface MoveProps {
  route: Schemas['ConnectedRoute'];
  ledgers: Schemas['LedgerJson'][];
  onDone: () => void;
}

/** Walks through what carries over and what does not, before anything changes. */
function Move({ route, ledgers, onDone }: MoveProps) {
  const others = ledgers.filter((each) => each.id !== route.ledgerId && each.state !== 'disconnected');
  const [to, setTo] = useState(others[0]?.id ?? 0);
  const notice = useNotice();
  const refresh = useConnectRefresh();
  const plan = useQuery({ ...movePlanQuery(route.code, to), enabled: to > 0 });
  const move = useMutation({
    mutationFn: () => answer(client.POST('/api/map/move', { body: { route: route.code, toLedger: to } })),
    onSuccess: async (moved) => {
      await refresh();
      notice({ tone: 'done', text: moved.sentence });
      onDone();
    },
  });
  if (others.length === 0) {
    return <p className="my-2">There is no other connected ledger. Connect its company first.</p>;
  }
  return (
    <section aria-label="Move the route" className="border-accent my-3 border-l-[3px] pl-4">
      <label className="flex items-center gap-2">
        Move {route.source} to
        <select className="field" value={to} onChange={(event) => setTo(Number(event.target.value))}>
          {others.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </select>
      </label>
      {plan.error && <Failure error={plan.error} />}
      {plan.data && (
        <>
          <p className="my-2">
            <b>{plural(plan.data.carried, 'row')}</b> of the crosswalk carry over, since the same code of the
            same type stands there. <b>{plural(plan.data.left.length, 'row')}</b> do not.{' '}
            {plural(plan.data.waiting, 'document')} that have not crossed will go to {plan.data.to};{' '}
            {plan.data.posted} that have stay with {plan.data.from}.
          </p>
          {plan.data.left.length > 0 && (
            <table className="slip" aria-label="What does not carry over">
              <thead>
                <tr className="soft">
                  <th>Row</th>
                  <th>Points to</th>
                  <th>Why not</th>
                  <th className="amount">Documents</th>
                  <th className="amount">Gross, {plan.data.currency}</th>
                </tr>
              </thead>
              <tbody>
                {plan.data.left.map((row) => (
                  <tr key={`${row.kind} ${row.code}`}>
                    <td>{rowOf(row.kind, row.code)}</td>
                    <td>{row.pointsTo}</td>
                    <td>{row.reason}</td>
                    <td className="amount">{row.documents}</td>
                    <td className="amount">{amount(row.amount)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {move.error && <Failure error={move.error} />}
          <div className="my-3 flex gap-2">
            <button
              type="button"
              className="act act-main"
              disabled={move.isPending}
              onClick={() => move.mutate()}
            >
              {move.isPending
                ? 'Compiling again…'
                : `Move to ${plan.data.to}, leave ${plural(plan.data.left.length, 'row')} behind`}
            </button>
            <button type="button" className="act" onClick={onDone}>
              Leave it
            </button>
          </div>
        </>
      )}
    </section>
  );
}
