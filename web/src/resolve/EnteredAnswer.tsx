import { useMutation } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { plural } from '../ui/format';
import { useDone } from '../undo/useTakeBack';
import { isAskedOf, type Warning } from './warnings';

/** Says of documents that were entered on the ledger whether they are brought all the same, or left there for good. */
export function EnteredAnswer({ warning }: { warning: Warning }) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const done = useDone();
  const refs = warning.subjects;
  const say = useMutation({
    mutationFn: (said: Schemas['EnteredSaid']['answer']) =>
      answer(
        client.POST('/api/resolve/warnings/entered', { body: { route: route.code, answer: said, refs } }),
      ),
    onSuccess: (_, said) =>
      done(
        said === 'BRING'
          ? `It goes to ${route.source} with the next run`
          : `${plural(refs.length, 'document')} left in ${route.ledger}`,
        { what: 'entered', said: { route: route.code, answer: 'ASK', refs } },
      ),
    onSettled: refresh,
  });
  const mayBring = isAskedOf(warning);
  useHotkeys('1', () => say.mutate('BRING'), { enabled: mayBring && !say.isPending });
  useHotkeys('3', () => say.mutate('LEAVE'), { enabled: !say.isPending });
  return (
    <div className="flex flex-wrap items-center gap-2">
      {mayBring && (
        <button
          type="button"
          className="act act-main"
          disabled={say.isPending}
          onClick={() => say.mutate('BRING')}
        >
          Another one: bring it to {route.source} <Key>1</Key>
        </button>
      )}
      <button type="button" className="act" disabled={say.isPending} onClick={() => say.mutate('LEAVE')}>
        {refs.length === 1 ? 'Leave it' : `Leave all ${refs.length}`} in {route.ledger} for good <Key>3</Key>
      </button>
      {say.error && <Failure error={say.error} />}
    </div>
  );
}
