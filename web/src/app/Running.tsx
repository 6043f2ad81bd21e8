import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { runningQuery } from '../api/queries';
import { useSession } from './current';

type Work = Schemas['Running'];

const WORDS: Record<Work['kind'], string> = {
  PULL: 'Fetching',
  APPROVAL: 'Approving',
  READINESS: 'Judging readiness',
  COUNTS: 'Counting on both sides',
  NUMBERS: 'Looking at the numbers there',
  COMPILING: 'Compiling again',
  MATCHING: 'Comparing parties',
  ANSWERING: 'Telling both sides',
  LINKING: 'Looking it up there',
  REWRITING: 'Writing items anew',
  CUT_OVER: 'Comparing both sides',
  SUPPOSING: 'Working out what would change',
  TEST: 'Trying a connection',
  CONSENT: 'Taking up a consent',
  CONNECTION: 'Connecting',
};

/** What goes on behind the screens, whoever began it and on whichever screen. */
export function Running() {
  const { me } = useSession();
  const works = useQuery(runningQuery).data ?? [];
  const first = works[0];
  return (
    <span aria-live="polite" className="flex items-center gap-2">
      {first && (
        <>
          <span>
            {WORDS[first.kind]}
            {first.who !== me.name && `, begun by ${first.who}`}
            {first.of > 0 && `: ${first.done} of ${first.of}`}
          </span>
          <progress
            aria-label={WORDS[first.kind]}
            className="progress progress-primary h-[6px] w-[90px]"
            {...(first.of > 0 ? { value: first.done, max: first.of } : {})}
          />
          {works.length > 1 && <span className="soft">and {works.length - 1} more</span>}
        </>
      )}
    </span>
  );
}
