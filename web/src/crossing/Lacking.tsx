import { useMutation } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useSession } from '../app/current';
import { oneOf } from '../resolve/masters';
import { plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { fatesOf } from './lacks';

interface Props {
  route: Schemas['RouteJson'];
  kind: Schemas['MasterCauseJson']['kind'];
  lacking: Schemas['LackingCounts'];
}

/** What would become of those that only the ledger has; those that somebody left there can be looked at again. */
export function Lacking({ route, kind, lacking }: Props) {
  const { me } = useSession();
  const refresh = useRefresh();
  const notice = useNotice();
  const again = useMutation({
    mutationFn: () =>
      answer(client.POST('/api/resolve/lacking/again', { body: { route: route.code, kind } })),
    onSuccess: ({ count }) =>
      notice({ tone: 'done', text: `${plural(count, oneOf(kind))} looked at with the next run` }),
    onError: (error) => notice({ tone: 'failed', text: error.message }),
    onSettled: refresh,
  });
  const fates = fatesOf(lacking, route);
  if (fates.length === 0) {
    return null;
  }
  return (
    <p className="mb-2 text-[13px]" aria-label={`Only in ${route.ledger}`}>
      Only {route.ledger} has {plural(lacking.create + lacking.ask + lacking.stay, oneOf(kind))} in use:{' '}
      {fates.join(', ')}. {!lacking.possible && `${route.source} takes no new ones from elsewhere. `}
      {lacking.left > 0 && (
        <>
          {lacking.left === 1 ? '1 was' : `${lacking.left} were`} left there by somebody
          {me.mayChange ? ': ' : '.'}
          {me.mayChange && (
            <button
              type="button"
              className="cursor-pointer underline"
              disabled={again.isPending}
              onClick={() => again.mutate()}
            >
              look at {lacking.left === 1 ? 'it' : 'them'} again
            </button>
          )}
        </>
      )}
    </p>
  );
}
