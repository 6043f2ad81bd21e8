import { useQuery } from '@tanstack/react-query';
import { Link, useLocation } from 'react-router';
import type { Schemas } from '../api/client';
import { roadQuery } from '../api/queries';
import { moneys, plural } from '../ui/format';
import { useSession } from './current';

interface Stop {
  path: string;
  name: string;
  waits: string;
  tone: string;
}

function readinessOf(road: Schemas['Road']): string {
  const parts = [
    road.blocks > 0 && `${plural(road.blocks, 'check')} block${road.blocks === 1 ? 's' : ''}`,
    road.warns > 0 &&
      `${road.blocks > 0 ? road.warns : plural(road.warns, 'check')} warn${road.warns === 1 ? 's' : ''}`,
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : `${road.connections} connected`;
}

function stops(road: Schemas['Road'] | undefined): Stop[] {
  const refused = road?.refused ?? 0;
  const lost = road?.lost ?? 0;
  return [
    {
      path: '/connect',
      name: 'Connect',
      waits: road ? (lost > 0 ? `${plural(lost, 'ledger')} shut` : readinessOf(road)) : '',
      tone:
        lost > 0 || (road?.blocks ?? 0) > 0 ? 'text-error' : (road?.warns ?? 0) > 0 ? 'text-accent' : 'soft',
    },
    {
      path: '/map',
      name: 'Map',
      waits: road ? (road.unmapped > 0 ? `${road.unmapped} to map` : 'all mapped') : '',
      tone: road && road.unmapped > 0 ? 'text-accent' : 'soft',
    },
    {
      path: '/release',
      name: 'Release',
      waits: road ? (road.ready > 0 ? `${road.ready} ready, ${moneys(road.readySums)}` : 'none ready') : '',
      tone: 'soft',
    },
    {
      path: '/send',
      name: 'Send',
      waits: road
        ? refused > 0
          ? `${refused} refused`
          : road.openBatches > 0
            ? `${plural(road.openBatches, 'batch').replace('batchs', 'batches')} open`
            : 'nothing on its way'
        : '',
      tone: refused > 0 ? 'text-error' : 'soft',
    },
  ];
}

export function Road() {
  const { me, route } = useSession();
  const shows = (path: string) =>
    me.seesBooks ? route !== undefined || path === '/connect' : route !== undefined && path === '/release';
  const road = useQuery({ ...roadQuery(route?.code ?? ''), enabled: route !== undefined });
  const location = useLocation();
  const all = stops(road.data).filter((stop) => shows(stop.path));
  const path = location.pathname.startsWith('/documents')
    ? '/release'
    : `/${location.pathname.split('/')[1] ?? ''}`;
  const here = Math.max(
    0,
    all.findIndex((stop) => stop.path === path),
  );
  return (
    <nav aria-label="The road" className="relative mx-5 grid h-[64px] shrink-0 auto-cols-fr grid-flow-col">
      <span className="road-line bg-base-300 right-0 left-0" />
      <span
        className="road-line bg-primary left-0"
        style={{ width: `${((here + 0.5) / all.length) * 100}%` }}
      />
      {all.map((stop, index) => (
        <Link
          key={stop.path}
          to={`${stop.path}${route ? `?route=${route.code}` : ''}`}
          aria-current={index === here ? 'page' : undefined}
          className={`relative pt-[28px] text-center leading-tight ${index === here ? 'font-semibold' : ''}`}
        >
          <span
            className={`absolute top-[6px] left-1/2 -ml-[7px] h-[15px] w-[15px] rotate-45 border-[3px] ${
              index === here
                ? 'bg-base-content border-base-content'
                : index < here
                  ? 'bg-primary border-primary'
                  : 'bg-base-200 border-base-content/40'
            }`}
          />
          {stop.name}
          <span className={`block text-[12.5px] font-normal ${stop.tone}`}>{stop.waits}</span>
        </Link>
      ))}
    </nav>
  );
}
