import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import type { Column } from '../ui/book/columns';
import { moneys, plural } from '../ui/format';
import { BeginAgain } from './BeginAgain';

type Route = Schemas['ConnectedRoute'];

/** What is being done to which route. */
export type Open = { route: string; to: 'move' | 'end' } | null;

interface May {
  mayChange: boolean;
  mayMove: boolean;
  open: Open;
  onOpen: (open: Open) => void;
}

const leadsNowhere = (route: Route) => route.ledgerId === 0;

const siteOf = (route: Route) =>
  leadsNowhere(route) ? '' : route.site === '' ? ', all without a route of their own' : ` at ${route.site}`;

const target = (route: Route) =>
  leadsNowhere(route)
    ? 'nowhere: sites without a route'
    : `${route.ended ? 'ended, led to ' : ''}${route.ledger}`;

export const routeColumns = (may: May): Column<Route>[] => [
  {
    id: 'source',
    name: 'From',
    width: '24%',
    value: (route) => route.source + siteOf(route),
    title: (route) => route.source + siteOf(route),
    tone: (route) => (route.ended ? 'soft' : undefined),
    cell: (route) => (
      <>
        <b className={route.ended ? '' : 'text-primary'}>{route.source}</b>
        <span className="soft">{siteOf(route)}</span>
      </>
    ),
  },
  {
    id: 'ledger',
    name: 'To',
    width: '20%',
    value: target,
    title: target,
    tone: (route) =>
      route.ended ? 'soft' : `font-semibold ${leadsNowhere(route) ? 'text-accent' : 'text-secondary'}`,
    cell: target,
  },
  {
    id: 'documents',
    name: 'Documents',
    width: '14%',
    value: (route) => route.documents,
    tone: (route) => (leadsNowhere(route) ? undefined : 'soft'),
    cell: (route) =>
      route.ended && route.documents > 0 ? (
        <Link className="underline" to={`/release?route=${route.code}`}>
          {plural(route.documents, 'document')} crossed
        </Link>
      ) : (
        plural(route.documents, 'document')
      ),
  },
  {
    id: 'waiting',
    name: 'Waiting',
    width: '18%',
    amount: true,
    value: (route) => moneys(route.waiting),
    tone: (route) => (leadsNowhere(route) ? undefined : 'soft'),
    cell: (route) => (route.ended ? '' : route.waiting.length === 0 ? 'nothing' : moneys(route.waiting)),
  },
  {
    id: 'change',
    name: 'What can be done',
    unnamed: true,
    width: '24%',
    tone: () => 'text-right',
    cell: (route) => <Doings of={route} {...may} />,
  },
];

function Doings({ of, mayChange, mayMove, open, onOpen }: May & { of: Route }) {
  if (leadsNowhere(of)) {
    return (
      <Link className="underline" to={`/release?route=${of.code}`}>
        See them
      </Link>
    );
  }
  if (!mayChange) {
    return null;
  }
  if (of.ended) {
    return <BeginAgain route={of} />;
  }
  const opens = (to: 'move' | 'end', says: string) => {
    const here = open?.route === of.code && open.to === to;
    return (
      <button
        type="button"
        className="ml-4 cursor-pointer underline"
        aria-expanded={here}
        onClick={() => onOpen(here ? null : { route: of.code, to })}
      >
        {says}
      </button>
    );
  };
  return (
    <>
      {mayMove && opens('move', 'Move to another company…')}
      {opens('end', 'End it…')}
    </>
  );
}
