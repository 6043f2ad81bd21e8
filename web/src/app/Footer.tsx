import { useQuery } from '@tanstack/react-query';
import { Link, useLocation } from 'react-router';
import { roadQuery } from '../api/queries';
import { Undoable } from '../undo/Undoable';
import { Running } from './Running';
import { WalkTheRoad } from './WalkTheRoad';
import { Key } from '../ui/Key';
import { useSession } from './current';
import { useView } from './useView';

/** The keys most used on each screen; the longest path that an address begins with counts. */
const HINTS: [path: string, keys: [string, string][]][] = [
  [
    '/map/parties/',
    [
      ['1', 'the first'],
      ['2', 'the second'],
      ['3', 'a new one'],
      ['l', 'later'],
    ],
  ],
  [
    '/map/what-if',
    [
      ['e', 'another one'],
      ['d', 'save and draft'],
      ['s', 'save'],
      ['Esc', 'do not'],
    ],
  ],
  ['/map/', [['j k', 'move']]],
  [
    '/map',
    [
      ['j k', 'move'],
      ['x', 'choose several'],
      ['y', 'accept'],
      ['e', 'change'],
    ],
  ],
  [
    '/release',
    [
      ['j k', 'move'],
      ['Enter', 'open both sides'],
      ['w', 'why'],
    ],
  ],
  [
    '/clear/banking',
    [
      ['j k', 'move'],
      ['x', 'tick'],
      ['t', 'the slip’s total'],
      ['y', 'tick what fits'],
      ['b', 'bank'],
    ],
  ],
  [
    '/clear',
    [
      ['j k', 'move'],
      ['Enter', 'open'],
      ['b', 'to the bank'],
    ],
  ],
  [
    '/resolve',
    [
      ['j k', 'next cause'],
      ['[ ]', 'next of it'],
      ['1–4', 'answer'],
      ['r a l', 'restore, accept, leave'],
      ['x', 'leave alone'],
    ],
  ],
  [
    '/send',
    [
      ['j k', 'move'],
      ['Enter', 'open'],
    ],
  ],
];
const hintsOf = (path: string) => HINTS.find(([begins]) => path.startsWith(begins))?.[1] ?? [];

/** What tells how a document is booked. */
const OF_BOOKS = new Set(['w']);

/** Connect has several views, each with keys of its own. */
const CONNECT: Record<string, [string, string][]> = {
  'first-steps': [['y', 'do the step in hand']],
  readiness: [['r', 'judge again']],
  crossing: [
    ['j k', 'next kind'],
    ['1–4', 'its way'],
    ['d', 'decide so'],
  ],
  runs: [
    ['j k', 'next run'],
    ['o', 'postpone by an hour'],
  ],
  settings: [
    ['j', 'next setting'],
    ['d', 'decide so'],
  ],
};

export function Footer({ onKeys }: { onKeys: () => void }) {
  const { me, route } = useSession();
  const view = useView();
  const path = useLocation().pathname;
  const hints = path === '/connect' ? (CONNECT[view.get('view')] ?? []) : hintsOf(path);
  const sending = useQuery({ ...roadQuery(route?.code ?? ''), enabled: route !== undefined }).data?.sending;
  return (
    <footer className="bg-base-300 flex h-[25px] shrink-0 items-center gap-4 overflow-hidden px-5 text-[12.5px] max-[700px]:px-2">
      {sending ? (
        <Link to={`/send/${sending.batch}?route=${route?.code ?? ''}`} className="flex items-center gap-3">
          {route?.toFiles ? `Batch ${sending.batch} waits for its answer` : `Sending batch ${sending.batch}`}
          <progress
            aria-label={`Batch ${sending.batch}`}
            className="progress progress-primary h-[6px] w-[150px]"
            value={sending.done}
            max={sending.count}
          />
          {sending.done} of {sending.count} settled
        </Link>
      ) : (
        <span className="shrink-0">Nothing is on its way</span>
      )}
      {me.seesBooks && <Running />}
      {path === '/release' && <WalkTheRoad />}
      <span className="ml-auto flex shrink-0 items-center gap-2 max-[700px]:hidden">
        {me.mayChange && <Undoable />}
        {hints
          .filter(([key]) => me.seesBooks || !OF_BOOKS.has(key))
          .map(([key, what]) => (
            <span key={key}>
              {key.split(' ').map((each) => (
                <Key key={each}>{each}</Key>
              ))}{' '}
              {what}
            </span>
          ))}
        <button type="button" className="cursor-pointer underline" onClick={onKeys}>
          <Key>?</Key> help
        </button>
      </span>
    </footer>
  );
}
