import { useMutation } from '@tanstack/react-query';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { useDone } from '../undo/useTakeBack';
import { allSaid, type Meaning, NOTHING } from './meaning';

export type RowKind = Schemas['ChangeRow']['kind'];

export interface RowChange {
  kind: RowKind;
  code: string;
  meaning: Meaning;
  expectedVersion: number;
  remove?: boolean;
  /** Why, as far as one says. */
  note?: string;
}

/** Changes one row of the crosswalk, says what it released, and offers to undo it. */
export function useChangeRow(onDone?: () => void) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const done = useDone();
  return useMutation({
    mutationFn: (change: RowChange) =>
      workDone(client.PUT('/api/map/row', { body: { ...change, route: route.code } })),
    onSuccess: async (changed, change) => {
      onDone?.();
      await refresh();
      const undone = {
        route: route.code,
        kind: change.kind,
        code: change.code,
        meaning: changed.before?.meaning ?? NOTHING,
        expectedVersion: changed.after?.version ?? 0,
        remove: !changed.before,
      };
      const became = change.remove ? 'taken away' : `mapped to ${allSaid(change.meaning) || 'a new one'}`;
      done(`${change.code} ${became}: ${changed.sentence}`, { what: 'row', change: undone });
    },
    onError: async () => {
      await refresh();
    },
  });
}
