import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Navigate, Outlet, useLocation, useNavigate } from 'react-router';
import { ApiError } from '../api/client';
import { meQuery, routesQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { CurrentContext } from './current';
import { Footer } from './Footer';
import { Header } from './Header';
import { figureAsked } from '../help/asked';
import { HelpPanel } from '../help/HelpPanel';
import { isOutOfReach, OutOfReach } from './OutOfReach';
import { Road } from './Road';
import { useNews } from '../news/useNews';
import { useView } from './useView';
import { ORDER } from './stops';

const KEYS = ORDER.map((_, index) => `g>${index + 1}`);

export function Shell() {
  const me = useQuery(meQuery);
  const routes = useQuery({ ...routesQuery, enabled: me.isSuccess });
  useNews(me.data?.name);
  const view = useView();
  const location = useLocation();
  const navigate = useNavigate();
  const [keysShown, setKeysShown] = useState(false);
  const code = view.get('route');
  const route = routes.data?.find((each) => each.code === code) ?? routes.data?.[0];

  useHotkeys(KEYS, (_, hotkey) => {
    const stop = ORDER[Number(hotkey.keys?.at(-1)) - 1];
    if (stop) {
      void navigate(`${stop}${code ? `?route=${code}` : ''}`);
    }
  });
  useHotkeys('shift+slash', () => setKeysShown((shown) => !shown), { useKey: false });
  useHotkeys('esc', () => setKeysShown(false));
  useHotkeys('w', () => figureAsked()?.click());

  const current = useMemo(
    () =>
      me.data && routes.data
        ? {
            me: me.data,
            route,
            routes: routes.data,
            choose: (chosen: string) => void navigate(`/release?route=${chosen}`),
          }
        : null,
    [me.data, route, routes.data, navigate],
  );

  if (me.error instanceof ApiError && me.error.status === 401) {
    const back = encodeURIComponent(location.pathname + location.search);
    return <Navigate to={`/sign-in?back=${back}`} replace />;
  }
  const seesBooks = current?.me.seesBooks !== false;
  if (!seesBooks && /^\/(connect|map|send)/.test(location.pathname)) {
    return <Navigate to="/release" replace />;
  }
  if (current && seesBooks && !route && !/^\/(connect|you)/.test(location.pathname)) {
    return <Navigate to="/connect" replace />;
  }
  const error = me.error ?? routes.error;
  if (error && isOutOfReach(error)) {
    return <OutOfReach says={error.message} onAgain={() => Promise.all([me.refetch(), routes.refetch()])} />;
  }
  if (error) {
    return (
      <main className="mx-auto mt-20 max-w-lg">
        <Failure error={error} />
      </main>
    );
  }
  if (!current) {
    return <p className="p-8">Opening the book…</p>;
  }
  return (
    <CurrentContext value={current}>
      <div className="flex h-full flex-col">
        <Header />
        <Road />
        <main className="flex min-h-0 flex-1 flex-col px-5 pt-0.5 max-[700px]:px-1">
          {seesBooks || route || location.pathname.startsWith('/you') ? (
            <Outlet key={route?.code} />
          ) : (
            <p className="sheet p-6">
              No documents are shown to you yet. An administrator chooses whose you see, under Connect,
              People.
            </p>
          )}
        </main>
        <Footer onKeys={() => setKeysShown((shown) => !shown)} />
      </div>
      {keysShown && (
        <HelpPanel path={`/${location.pathname.split('/')[1] ?? ''}`} onClose={() => setKeysShown(false)} />
      )}
    </CurrentContext>
  );
}
