import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useCurrent } from '../app/current';
import { together } from '../map/meaning';
import { rowQuery } from '../map/queries';
import { useChangeRow } from '../map/useChangeRow';
import type { TwinPair } from './queries';

/** Of two of the source, the one that is on the ledger, and the one that is not; undefined where that is no question. */
export function linkable({ one, other, oneIs, otherIs }: TwinPair) {
  const [there, more] = [oneIs[0], otherIs[0]];
  if (there !== undefined && more === undefined) {
    return { code: other.party.code, counterpart: there };
  }
  return there === undefined && more !== undefined ? { code: one.code, counterpart: more } : undefined;
}

/** Says that the one of the two that nothing was said of is the same there as the other. */
export function useLinkTwin() {
  const { route } = useCurrent();
  const client = useQueryClient();
  const change = useChangeRow(() => undefined);
  return useMutation({
    mutationFn: async (pair: TwinPair) => {
      const wanted = linkable(pair);
      if (wanted) {
        const row = await client.query({
          ...rowQuery(route.code, 'PARTY', wanted.code),
          staleTime: 0,
        });
        await change.mutateAsync({
          kind: 'PARTY',
          code: wanted.code,
          // What else its row says stays.
          meaning: together([
            ...row.further.flatMap((each) => (each.now ? [each.now.meaning] : [])),
            { targets: { COUNTERPART: wanted.counterpart }, dimensions: {} },
          ]),
          expectedVersion: row.version,
          note: '',
        });
      }
    },
  });
}
