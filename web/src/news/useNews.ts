import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { nowHearing, spread } from './heard';
import { listen } from './stream';
import { concerns, type Told } from './told';
import { touch } from './touched';

/** As much as a screen that is looked at need not be newer. */
const MOMENT = 700;

/** What is shown is asked for again as soon as one is told that it has changed, but not without end. */
export function useNews(me: string | undefined) {
  const queries = useQueryClient();
  useEffect(() => {
    if (me === undefined) {
      return undefined;
    }
    let gathered: Told[] = [];
    let timer: ReturnType<typeof setTimeout> | undefined;
    const ask = () => {
      const all = gathered;
      gathered = [];
      timer = undefined;
      void queries.invalidateQueries({
        predicate: ({ queryKey }) => all.some((told) => concerns(told, queryKey)),
      });
    };
    let heard: boolean | undefined;
    const end = listen({
      onTold: (told) => {
        spread(told);
        touch(told, me);
        gathered.push(told);
        timer ??= setTimeout(ask, MOMENT);
      },
      onHears: (hears) => {
        if (hears === heard) {
          return;
        }
        // What happened while nothing was heard, or what will while nothing is, has to be looked for.
        const first = heard === undefined;
        heard = hears;
        nowHearing(hears);
        if (!first) {
          void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'readiness' });
        }
      },
    });
    return () => {
      clearTimeout(timer);
      nowHearing(false);
      end();
    };
  }, [queries, me]);
}
