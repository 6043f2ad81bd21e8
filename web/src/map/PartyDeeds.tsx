import { useMutation } from '@tanstack/react-query';
import { answer, client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { useNotice } from '../ui/notices';
import { useDone } from '../undo/useTakeBack';

interface Props {
  code: string;
  /** Whether it was put out of sight. */
  hidden: boolean;
}

/** What can be done with a party that waits for nothing: create it there now, or put it out of sight. */
export function PartyDeeds({ code, hidden }: Props) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const done = useDone();
  const failed = (error: Error) => notice({ tone: 'failed', text: error.message });
  const create = useMutation({
    mutationFn: () => answer(client.POST('/api/map/parties/creation', { body: { route: route.code, code } })),
    onSuccess: (made) => notice({ tone: 'done', text: made.sentence }),
    onSettled: refresh,
    onError: failed,
  });
  const hide = useMutation({
    mutationFn: () =>
      answer(client.PUT('/api/map/parties/hidden', { body: { route: route.code, code, hidden: !hidden } })),
    onSuccess: () =>
      done(`${code} is ${hidden ? 'back in sight' : 'out of sight'}`, {
        what: 'party',
        party: { route: route.code, code, hidden },
      }),
    onSettled: refresh,
    onError: failed,
  });
  const word = 'cursor-pointer underline';
  return (
    <>
      <button type="button" className={word} disabled={create.isPending} onClick={() => create.mutate()}>
        {create.isPending ? 'Creating…' : 'Create there now'}
      </button>
      <button type="button" className={word} disabled={hide.isPending} onClick={() => hide.mutate()}>
        {hidden ? 'Show' : 'Hide'}
      </button>
    </>
  );
}
