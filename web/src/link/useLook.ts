import { useMutation } from '@tanstack/react-query';
import { client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { useNotice } from '../ui/notices';

/** At most so many are looked at together. */
const MOST = 500;

/** Looks at single records on both sides, as a run looks at all. */
export function useLook(route: string) {
  const notice = useNotice();
  const refresh = useRefresh();
  return useMutation({
    mutationFn: (ids: number[]) =>
      workDone(client.POST('/api/pull/records', { body: { route, records: ids.slice(0, MOST) } })),
    onSuccess: async (looked) => {
      await refresh();
      notice({ tone: 'done', text: looked.sentence });
    },
    onError: async (error) => {
      await refresh();
      notice({ tone: 'failed', text: error.message });
    },
  });
}
