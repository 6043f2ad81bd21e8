import { useMutation } from '@tanstack/react-query';
import { answer, client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { plural } from '../ui/format';
import { useNotice } from '../ui/notices';

/** Says of records that one side does not have any more that they follow the side that made them. */
export function useFollowGone() {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  return useMutation({
    mutationFn: (ids: number[]) =>
      answer(client.POST('/api/documents/gone', { body: { route: route.code, ids } })),
    onSuccess: ({ going, left }) =>
      notice({
        tone: 'done',
        text: `${plural(going, 'record')} on the way${
          left > 0
            ? `; ${left} cannot go now, and ${left === 1 ? 'its page says' : 'their pages say'} why`
            : ''
        }`,
      }),
    onSettled: refresh,
  });
}
