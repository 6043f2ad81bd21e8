import { useMemo, useState } from 'react';
import type { Schemas } from '../api/client';
import { useSession } from '../app/current';
import { Book } from '../ui/book/Book';
import { EndRoute } from './EndRoute';
import { MoveRoute } from './MoveRoute';
import { RouteForm } from './RouteForm';
import { routeColumns, type Open } from './routeColumns';

/** Which source crosses to which ledger. */
export function RoutesPage({ connected }: { connected: Schemas['Connected'] }) {
  const { me } = useSession();
  const [open, setOpen] = useState<Open>(null);
  const [adding, setAdding] = useState(false);
  const mayChange = me.role === 'ADMINISTRATOR';
  const routes = connected.routes.filter((route) => route.ledgerId !== 0 && !route.ended);
  const ended = connected.routes.filter((route) => route.ended);
  const unrouted = connected.routes.filter((route) => route.ledgerId === 0);
  const missing = routes.length === 0 || unrouted.length > 0;
  const mayAdd = mayChange && connected.sources.length > 0 && connected.ledgers.length > 0;
  const rows = [...unrouted, ...routes, ...ended];
  const mayMove = mayChange && connected.ledgers.length > 1;
  const columns = useMemo(
    () => routeColumns({ mayChange, mayMove, open, onOpen: setOpen }),
    [mayChange, mayMove, open],
  );
  return (
    <section aria-label="Routes" className="border-base-300 border-t p-4">
      <h2 className="title mb-2">Routes from the one to the other</h2>
      {routes.length === 0 && <p className="mb-2">No route yet: nothing can cross.</p>}
      {rows.length > 0 && (
        <Book
          name="routes"
          label="Routes"
          room="max-h-[330px]"
          columns={columns}
          rows={rows}
          keyOf={(row) => row.code}
          dataOf={({ code, ended }) => ({ route: code, ...(ended && { ended }) })}
        />
      )}
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
