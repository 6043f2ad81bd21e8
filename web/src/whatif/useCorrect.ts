import { useMutation } from '@tanstack/react-query';
import { client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { useCurrent } from '../app/current';
import { NOTHING } from '../map/meaning';
import { useDone } from '../undo/useTakeBack';
import type { Supposed } from './address';
import { asked } from './queries';

interface Saving {
  supposed: Supposed;
  version: number;
  note: string;
}

/** Saves a row with the drafts of what puts right what was booked before it; both are taken back together. */
export function useCorrect(onDone: () => void) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const done = useDone();
  return useMutation({
    mutationFn: ({ supposed, version, note }: Saving) =>
      workDone(client.POST('/api/map/corrections', { body: asked(route.code, supposed, version, note) })),
    onSuccess: async (saved, { supposed: { kind, code } }) => {
      onDone();
      await refresh();
      const change = {
        route: route.code,
        kind,
        code,
        meaning: saved.before ?? NOTHING,
        expectedVersion: saved.version,
        remove: !saved.before,
      };
      const drafted = saved.correction ? `; correction ${saved.correction} is drafted` : '';
      done(`${saved.sentence}${drafted}`, { what: 'row', change, correction: saved.correction });
    },
    onError: async () => {
      await refresh();
    },
  });
}
