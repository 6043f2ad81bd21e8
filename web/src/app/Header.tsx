import { useMutation, useQueryClient } from '@tanstack/react-query';
import { lazy } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { answer, client } from '../api/client';
import { workDone } from '../api/work';
import { useRefresh } from '../api/useRefresh';
import { Opener } from '../ui/choose/Opener';
import { Key } from '../ui/Key';
import { useNotice } from '../ui/notices';
import { AlertsChip } from '../alerts/AlertsChip';
import { useCurrent, useSession } from './current';
import { Finder } from './Finder';
import { chooseTheme, presentTheme } from './theme';

const Doings = lazy(() => import('../ui/choose/Doings'));

export function Header() {
  const { me, route, routes, choose } = useSession();
  return (
    <header className="flex min-h-[34px] shrink-0 flex-wrap items-center gap-x-4 px-5 max-[700px]:px-2">
      <span className="title text-[20px] leading-none">Alcabala</span>
      {route && (
        <label className="sheet flex h-[28px] min-w-0 items-center gap-2 px-2 max-[700px]:order-last max-[700px]:w-full">
          <span className="soft text-[12.5px]">Route</span>
          <select
            className="bg-base-100 max-w-[330px] min-w-0 flex-1 cursor-pointer font-semibold"
            value={route.code}
            onChange={(event) => choose(event.target.value)}
          >
            {routes.map((each) => (
              <option key={each.code} value={each.code}>
                {each.source}
                {each.site !== '' && ` at ${each.site}`}
                {each.ended && ' (ended)'}
                {each.ledger === '' ? ', sites without a route' : ` to ${each.ledger}`}, {each.currency}
              </option>
            ))}
          </select>
        </label>
      )}
      {route && me.mayChange && <Fetch />}
      {route && me.seesBooks && <Finder />}
      <span className={route && me.seesBooks ? '' : 'ml-auto'} />
      {route && me.seesBooks && <AlertsChip route={route} />}
      <Person />
    </header>
  );
}

function Fetch() {
  const { route } = useCurrent();
  const notice = useNotice();
  const refresh = useRefresh();
  const pull = useMutation({
    mutationFn: () => workDone(client.POST('/api/pull', { params: { query: { route: route.code } } })),
    onSuccess: async (pulled) => {
      await refresh();
      notice({ tone: 'done', text: pulled.sentence });
    },
    onError: async (error) => {
      // One side may have told its news before the other failed.
      await refresh();
      notice({ tone: 'failed', text: error.message });
    },
  });
  useHotkeys('p', () => pull.mutate(), { enabled: !pull.isPending });
  return (
    <button type="button" className="act" disabled={pull.isPending} onClick={() => pull.mutate()}>
      {pull.isPending ? 'Fetching…' : 'Fetch both sides'} <Key>p</Key>
    </button>
  );
}

function Person() {
  const { me } = useSession();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const signOut = useMutation({
    mutationFn: () => answer(client.DELETE('/api/session')),
    onSettled: async () => {
      queries.clear();
      await navigate('/sign-in');
    },
  });
  // Asked each time that it is opened.
  const doings = () => [
    presentTheme() === 'paper'
      ? { says: 'Read by lamplight', act: () => chooseTheme('lamplight') }
      : { says: 'Read on paper', act: () => chooseTheme('paper') },
    { says: 'Password, dates, sessions', act: () => void navigate('/you') },
    { says: 'Sign out', act: () => signOut.mutate() },
  ];
  return (
    <Opener
      label={`${me.name}, ${me.role.toLowerCase()}`}
      says={
        <>
          {me.name} <span className="soft">({me.role.toLowerCase()})</span>
        </>
      }
      className="cursor-pointer whitespace-nowrap"
    >
      {(close) => <Doings label={me.name} doings={doings()} onDone={close} />}
    </Opener>
  );
}
