import { useMutation, useQuery } from '@tanstack/react-query';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { endingQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { useNotice } from '../ui/notices';
import { useConnectRefresh } from './useConnectRefresh';
import { WaysTable } from './WaysTable';

interface Props {
  route: Schemas['ConnectedRoute'];
  onDone: () => void;
}

/** Says where what waits would go, before the route ends. */
export function EndRoute({ route, onDone }: Props) {
  const ways = useQuery(endingQuery(route.code));
  const notice = useNotice();
  const refresh = useConnectRefresh();
  const end = useMutation({
    mutationFn: () =>
      workDone(client.DELETE('/api/connect/routes/{code}', { params: { path: { code: route.code } } })),
    onSuccess: async () => {
      await refresh();
      notice({ tone: 'done', text: `The route to ${route.ledger} has ended; it can be begun again below` });
      onDone();
    },
  });
  const problem = ways.error ?? end.error;
  return (
    <section aria-label="End the route" className="border-accent my-3 border-l-[3px] pl-4">
      <p>
        What crossed stays as it is, and its crosswalk and settings are kept in case you begin it again.{' '}
        {ways.data?.length === 0 && 'Nothing waits on it.'}
      </p>
      {ways.data && ways.data.length > 0 && <WaysTable ways={ways.data} />}
      {problem && <Failure error={problem} />}
      <div className="my-3 flex gap-2">
        <button
          type="button"
          className="act act-main"
          disabled={!ways.data || end.isPending}
          onClick={() => end.mutate()}
        >
          {end.isPending ? 'Compiling again…' : 'End the route'}
        </button>
        <button type="button" className="act" onClick={onDone}>
          Leave it
        </button>
      </div>
    </section>
  );
}
