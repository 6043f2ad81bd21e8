import { useQuery } from '@tanstack/react-query';
import { Link, useLocation } from 'react-router';
import { roadQuery } from '../api/queries';
import { Undoable } from '../undo/Undoable';
import { Running } from './Running';
import { WalkTheRoad } from './WalkTheRoad';
import { Key } from '../ui/Key';
import { useSession } from './current';
import { useView } from './useView';

/** The keys most used on each screen. */
const HINTS: Record<string, [string, string][]> = {
  '/map': [
    ['y', 'accept'],
    ['e', 'choose'],
  ],
  '/release': [
    ['Enter', 'open both sides'],
    ['w', 'why'],
  ],
  '/send': [['Enter', 'open']],
};

/** One party beside those that it may be. */
const COMPARING: [string, string][] = [
  ['1', 'the first'],
  ['2', 'the second'],
  ['3', 'a new one'],
  ['l', 'later'],
];

/** What tells how a document is booked. */
const OF_BOOKS = new Set(['w']);

/** Connect has several views, each with keys of its own. */
const CONNECT: Record<string, [string, string][]> = {
  'first-steps': [['y', 'do the step in hand']],
  readiness: [['r', 'judge again']],
  settings: [
    ['j', 'next setting'],
    ['d', 'decide so'],
  ],
};

export function Footer({ onKeys }: { onKeys: () => void }) {
  const { me, route } = useSession();
  const view = useView();
  const place = `/${useLocation().pathname.split('/')[1] ?? ''}`;
  const isComparing = useLocation().pathname.startsWith('/map/parties/');
  const hints = isComparing
    ? COMPARING
    : ((place === '/connect' ? CONNECT[view.get('view')] : HINTS[place]) ?? []);
  const sending = useQuery({ ...roadQuery(route?.code ?? ''), enabled: route !== undefined }).data?.sending;
  return (
    <footer className="bg-base-300 flex h-[25px] shrink-0 items-center gap-4 overflow-hidden px-5 text-[12.5px] max-[700px]:px-2">
      {sending ? (
        <Link to={`/send/${sending.batch}?route=${route?.code ?? ''}`} className="flex items-center gap-3">
          Sending batch {sending.batch}
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
      {place === '/release' && <WalkTheRoad />}
      <span className="ml-auto flex shrink-0 items-center gap-2 max-[700px]:hidden">
        {HINTS[place] && !isComparing && (
          <span>
            <Key>j</Key> <Key>k</Key> move
          </span>
        )}
        {me.mayChange && <Undoable />}
        {hints
          .filter(([key]) => me.seesBooks || !OF_BOOKS.has(key))
          .map(([key, what]) => (
            <span key={key}>
              <Key>{key}</Key> {what}
            </span>
          ))}
        <button type="button" className="cursor-pointer underline" onClick={onKeys}>
          <Key>?</Key> help
        </button>
      </span>
    </footer>
  );
}
