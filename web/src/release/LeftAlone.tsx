import { useMutation } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { moment } from '../ui/format';

interface Props {
  document: Schemas['DocumentRow'];
  said: Schemas['LeftAloneJson'];
}

/** That nobody is asked about a record any more, who said so, and the way back. */
export function LeftAlone({ document, said }: Props) {
  const { me, route } = useCurrent();
  const refresh = useRefresh();
  const look = useMutation({
    mutationFn: () =>
      answer(client.DELETE('/api/documents/{id}/left-alone', { params: { path: { id: document.id } } })),
    onSettled: refresh,
  });
  return (
    <div className="border-accent bg-base-200 mx-4 my-2 flex flex-wrap items-center gap-2 border-l-[3px] px-3 py-2">
      <p className="min-w-60 flex-1 text-[13px]">
        {said.unlinkedFrom === ''
          ? `Left alone by ${said.who} on ${moment(said.at)}: it is neither sent nor asked about.`
          : `Unlinked from ${said.unlinkedFrom} of ${route.ledger} by ${said.who} on ${moment(said.at)}: neither of the two is sent, matched or asked about.`}
      </p>
      {me.mayChange && (
        <button type="button" className="act" disabled={look.isPending} onClick={() => look.mutate()}>
          {said.unlinkedFrom === '' ? 'Look after it again' : `Link it with ${said.unlinkedFrom} again`}
        </button>
      )}
      {look.error && <Failure error={look.error} />}
    </div>
  );
}
