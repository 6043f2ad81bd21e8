import { useMutation } from '@tanstack/react-query';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { useNotice } from '../ui/notices';
import { useConnectRefresh } from './useConnectRefresh';

/** A route that was ended leads again. */
export function BeginAgain({ route }: { route: Schemas['ConnectedRoute'] }) {
  const notice = useNotice();
  const refresh = useConnectRefresh();
  const again = useMutation({
    mutationFn: () =>
      workDone(client.POST('/api/connect/routes/{code}/again', { params: { path: { code: route.code } } })),
    onSuccess: async () => {
      await refresh();
      notice({ tone: 'done', text: `The route to ${route.ledger} leads again, with its crosswalk` });
    },
    onError: (error) => notice({ tone: 'failed', text: error.message }),
  });
  return (
    <button
      type="button"
      className="cursor-pointer underline"
      disabled={again.isPending}
      onClick={() => again.mutate()}
    >
      Begin it again
    </button>
  );
}
