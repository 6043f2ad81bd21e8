import { useMutation } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { answer, client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { useNotice } from '../ui/notices';

/** Says whether two payments, one entered on either side, are one. */
export function SamePayment({ ours, theirs }: { ours: number; theirs: number }) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const say = useMutation({
    mutationFn: (one: boolean) =>
      answer(
        client.POST('/api/resolve/warnings/same-payment', { body: { route: route.code, ours, theirs, one } }),
      ),
    onSuccess: (_, one) =>
      notice({
        tone: 'done',
        text: one ? 'They stand for each other; neither is sent' : 'They are two; both go where they go',
      }),
    onSettled: refresh,
  });
  useHotkeys('1', () => say.mutate(true), { enabled: !say.isPending });
  useHotkeys('2', () => say.mutate(false), { enabled: !say.isPending });
  return (
    <div className="flex flex-wrap items-center gap-2">
      <button
        type="button"
        className="act act-main"
        disabled={say.isPending}
        onClick={() => say.mutate(true)}
      >
        They are one <Key>1</Key>
      </button>
      <button type="button" className="act" disabled={say.isPending} onClick={() => say.mutate(false)}>
        They are two <Key>2</Key>
      </button>
      {say.error && <Failure error={say.error} />}
    </div>
  );
}
