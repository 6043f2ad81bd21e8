import { useMutation } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { isSettlement } from '../api/recordKinds';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { shownOf } from '../send/sendShown';
import { DoOrLeave } from '../ui/DoOrLeave';
import { Failure } from '../ui/Failure';
import { money, plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import type { HeldCause } from './queries';

/**
 * One answer for all that share a cause: they go as their source has them, or each side keeps what it changed. What
 * that is, is said first.
 */
export function SendAll({ cause, keeps = false }: { cause: HeldCause; keeps?: boolean }) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const choice: Schemas['ChoiceJson'] = {
    route: route.code,
    ids: cause.records.map((each) => each.id),
    keeps,
    ...(cause.records.some((each) => isSettlement(each.kind)) ? { payments: true } : {}),
  };
  const preview = useMutation({
    mutationFn: () => answer(client.POST('/api/batches/preview', { body: choice })),
  });
  const send = useMutation({
    mutationFn: (shown: Schemas['PreviewJson']) =>
      answer(client.POST('/api/batches', { body: { ...choice, shown: shownOf(shown) } })),
    onSuccess: (made) => {
      preview.reset();
      notice({ tone: 'done', text: `Batch ${made.id} is on its way` });
    },
    onSettled: refresh,
  });
  const shown = preview.data;
  const stays = cause.records.length - (shown?.count ?? 0);
  return (
    <>
      {!shown && (
        <button type="button" className="act" disabled={preview.isPending} onClick={() => preview.mutate()}>
          {preview.isPending
            ? 'Looking at what would go…'
            : keeps
              ? `Keep what each changed in all ${cause.records.length}`
              : `Send all ${cause.records.length} as ${route.source} has them`}
        </button>
      )}
      {shown && (
        <form
          className="border-accent flex flex-wrap items-center gap-3 border-l-[3px] px-3"
          onSubmit={(event) => {
            event.preventDefault();
            send.mutate(shown);
          }}
        >
          <span>
            {plural(shown.count, 'record')} of {money(shown.gross, shown.currency)}{' '}
            {shown.count === 1 ? 'goes' : 'go'}
            {stays > 0 && `; ${stays} cannot go now and ${stays === 1 ? 'is' : 'are'} left`}.
          </span>
          <DoOrLeave
            says={`Send ${plural(shown.count, 'record')}`}
            disabled={send.isPending || shown.count === 0}
            onLeave={() => preview.reset()}
          />
        </form>
      )}
      {(preview.error ?? send.error) && <Failure error={(preview.error ?? send.error) as Error} />}
    </>
  );
}
