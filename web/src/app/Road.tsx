import { useQuery } from '@tanstack/react-query';
import { Link, useLocation } from 'react-router';
import { roadQuery } from '../api/queries';
import { useSession } from './current';
import { bankingsWaitingQuery } from '../clear/queries';
import { rough, stopsOf, strokesOf, type Stop, type Wrong } from './stops';

/** On the line where one is, before and under a stop what waits there, above it what is wrong. */
export function Road() {
  const { me, route } = useSession();
  const road = useQuery({ ...roadQuery(route?.code ?? ''), enabled: route !== undefined });
  const location = useLocation();
  const clear = useQuery({
    ...bankingsWaitingQuery(route?.code ?? ''),
    enabled: route !== undefined && route.ledger !== '' && me.seesBooks,
  });
  const all = stopsOf(road.data, route !== undefined, clear.data).filter(
    (stop) => me.seesBooks || (route !== undefined && stop.path === '/release'),
  );
  const path = location.pathname.startsWith('/documents')
    ? '/release'
    : `/${location.pathname.split('/')[1] ?? ''}`;
  // Before the first one, where one is on none of them.
  const here = all.findIndex((stop) => stop.path === path);
  const on = (to: string) => (route ? `${to}${to.includes('?') ? '&' : '?'}route=${route.code}` : to);
  return (
    <nav aria-label="The road" className="road" style={{ gridTemplateColumns: `repeat(${all.length}, 1fr)` }}>
      <span className="road-line bg-base-content/30 right-0 left-0" />
      <span
        className="road-line bg-primary left-0"
        style={{ width: `${(Math.max(0, here + 0.5) / all.length) * 100}%` }}
      />
      {all.map((stop, index) => (
        <StopOnRoad key={stop.path} stop={stop} away={index - here} on={on} />
      ))}
    </nav>
  );
}

function StopOnRoad({ stop, away, on }: { stop: Stop; away: number; on: (to: string) => string }) {
  const place = stop.waits === 'to come' || stop.later ? 'later' : away < 0 ? 'behind' : 'ahead';
  const near = Math.abs(away) < 2 ? 'near' : '';
  const content = (
    <>
      <Strokes count={stop.count ?? 0} />
      <span className="stop-mark" />
      <span className="stop-name">{stop.name}</span>
      <span className="stop-waits">
        {stop.count ? <b>{rough(stop.count)} </b> : ''}
        {stop.waits}
      </span>
    </>
  );
  return (
    <div className={`stop ${away === 0 ? 'here' : place} ${near}`}>
      {stop.wrong && <Post wrong={stop.wrong} on={on} />}
      {stop.later ? (
        <span className="block" title={stop.later}>
          {content}
        </span>
      ) : (
        <Link className="block" to={on(stop.path)} aria-current={away === 0 ? 'page' : undefined}>
          {content}
        </Link>
      )}
    </div>
  );
}

const Post = ({ wrong, on }: { wrong: Wrong; on: (to: string) => string }) => (
  <Link
    className={`stop-post ${wrong.stands ? '' : 'mild'}`}
    to={on(wrong.path)}
    title={wrong.stands ? 'It cannot go on until somebody puts this right' : 'It goes on; look at this'}
  >
    {wrong.says}
  </Link>
);

const Strokes = ({ count }: { count: number }) => (
  <span className="stop-strokes" aria-hidden="true">
    {Array.from({ length: strokesOf(count) }, (_, index) => (
      <i key={index} />
    ))}
  </span>
);
