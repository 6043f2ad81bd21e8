import type { Schemas } from '../api/client';
import { counted, moneys, plural } from '../ui/format';

export interface Stop {
  path: string;
  name: string;
  /** What waits there: how many, where they can be counted, and in words. */
  count?: number;
  waits: string;
  /** What is wrong there. */
  wrong?: Wrong;
  /** Why one cannot go there yet. */
  later?: string;
}

export interface Wrong {
  says: string;
  /** Whether it stands until a person does something; else it goes on, and wants a look. */
  stands: boolean;
  /** Where it is put right. */
  path: string;
}

const MOST_STROKES = 9;
const COUNTED_OUT = 9_999;

/** One for each doubling: 1, 2, 4, 8 … are one, two, three, four strokes. */
export const strokesOf = (count: number) =>
  count <= 0 ? 0 : Math.min(MOST_STROKES, Math.floor(Math.log2(count)) + 1);

/** `12 k` where nobody counts any more. */
export const rough = (count: number) =>
  count > COUNTED_OUT ? `${counted(Math.floor(count / 1000))} k` : counted(count);

/** The seven stops, in the order in which the work is done. */
export function stopsOf(
  road: Schemas['Road'] | undefined,
  hasRoute: boolean,
  clear?: Schemas['BankingsWaitingJson'],
): Stop[] {
  const stops = [connect(road), map(road), release(road), send(road)];
  return [
    ...(hasRoute ? stops : stops.map((stop, index) => (index === 0 ? stop : opensWithARoute(stop)))),
    resolve(road, hasRoute),
    clearing(clear, hasRoute),
    ...TO_COME.map(({ path, name }) => ({ path, name, waits: 'to come' })),
  ];
}

function resolve(road: Schemas['Road'] | undefined, hasRoute: boolean): Stop {
  const stop: Stop = {
    path: '/resolve',
    name: 'Resolve',
    count: road?.held,
    waits: !road ? '' : road.held > 0 ? 'held' : 'nothing held',
    wrong: wrongThere(road),
  };
  return hasRoute ? stop : opensWithARoute(stop);
}

function wrongThere(road: Schemas['Road'] | undefined): Wrong | undefined {
  if (road?.runFailed) {
    return { says: 'run failed', stands: false, path: '/resolve' };
  }
  return road && road.odd > 0
    ? { says: `${road.odd} to look at`, stands: false, path: '/resolve' }
    : undefined;
}

const opensWithARoute = ({ path, name }: Stop): Stop => ({
  path,
  name,
  waits: 'opens with a route',
  later: 'Connect a source and a ledger, and say where the one leads.',
});

function connect(road: Schemas['Road'] | undefined): Stop {
  const stop = { path: '/connect', name: 'Connect', waits: road ? `${road.connections} connected` : '' };
  if (road && road.lost > 0) {
    return {
      ...stop,
      wrong: { says: `${plural(road.lost, 'ledger')} shut`, stands: true, path: '/connect' },
    };
  }
  const path = '/connect?view=readiness';
  if (road && road.blocks > 0) {
    const says = `${plural(road.blocks, 'check')} block${road.blocks === 1 ? 's' : ''}`;
    return { ...stop, wrong: { says, stands: true, path } };
  }
  if (road && road.warns > 0) {
    const says = `${plural(road.warns, 'check')} warn${road.warns === 1 ? 's' : ''}`;
    return { ...stop, wrong: { says, stands: false, path } };
  }
  return stop;
}

function map(road: Schemas['Road'] | undefined): Stop {
  const waits = !road ? '' : road.unmapped > 0 ? 'to map' : 'all mapped';
  return { path: '/map', name: 'Map', count: road?.unmapped, waits };
}

function release(road: Schemas['Road'] | undefined): Stop {
  return {
    path: '/release',
    name: 'Release',
    count: road?.ready,
    waits: !road ? '' : road.ready > 0 ? `ready, ${moneys(road.readySums)}` : 'none ready',
    wrong:
      road && road.blocked > 0
        ? { says: `${rough(road.blocked)} blocked`, stands: false, path: '/release?state=Blocked' }
        : undefined,
  };
}

function send(road: Schemas['Road'] | undefined): Stop {
  const sending = road?.sending;
  const going = sending ? sending.count - sending.done : 0;
  return {
    path: '/send',
    name: 'Send',
    count: going,
    waits: !road
      ? ''
      : sending
        ? `of batch ${sending.batch} to go`
        : road.openBatches > 0
          ? `${road.openBatches} ${road.openBatches === 1 ? 'batch' : 'batches'} open`
          : 'nothing on its way',
    wrong:
      road && road.refused > 0
        ? { says: `${rough(road.refused)} refused`, stands: true, path: '/release?state=Refused' }
        : undefined,
  };
}

function clearing(clear: Schemas['BankingsWaitingJson'] | undefined, hasRoute: boolean): Stop {
  const stop: Stop = {
    path: '/clear',
    name: 'Clear',
    count: clear?.toBank.count,
    waits: !clear ? '' : clear.toBank.count > 0 ? `to bank, ${moneys([clear.toBank])}` : 'nothing to bank',
    wrong:
      clear && clear.wrong > 0
        ? { says: `${plural(clear.wrong, 'receipt')} changed`, stands: true, path: '/clear' }
        : undefined,
  };
  return hasRoute ? stop : opensWithARoute(stop);
}

/** Not built yet. */
export const TO_COME = [
  {
    path: '/tie-out',
    name: 'Tie out',
    will: 'Here both sides will be proved to agree, account by account, before a month is closed.',
  },
];

/** By which keys lead to them. */
export const ORDER = ['/connect', '/map', '/release', '/send', '/resolve', '/clear', '/tie-out'];
