import { useMutation } from '@tanstack/react-query';
import { answer, client } from '../api/client';
import { useSession } from '../app/current';
import { Failure } from '../ui/Failure';
import { plural } from '../ui/format';

/** Whether anything on the trail was changed after it was sealed, and the anchor to keep elsewhere. */
export function TrailCheck() {
  const { me } = useSession();
  const check = useMutation({ mutationFn: () => answer(client.POST('/api/trail/check')) });
  const anchor = useMutation({ mutationFn: () => answer(client.GET('/api/trail/anchor')) });
  const error = check.error ?? anchor.error;
  return (
    <span className="ml-auto flex flex-wrap items-center gap-3 text-[13px]">
      {error && <Failure error={error} />}
      {check.data && (
        <span role="status" className={check.data.ok ? '' : 'text-error font-semibold'}>
          {check.data.ok
            ? `Whole: ${plural(check.data.rows, 'entry')} in ${plural(check.data.blocks, 'sealed block')}`
            : `Broken: ${check.data.says}`}
        </span>
      )}
      {anchor.data && (
        <code
          className="select-all"
          title="Keep this elsewhere; ./alcabala trail check holds it against the trail"
        >
          {anchor.data.block} {anchor.data.hash}
        </code>
      )}
      {me.mayChange && (
        <button type="button" className="act" disabled={check.isPending} onClick={() => check.mutate()}>
          {check.isPending ? 'Checking…' : 'Check that it is whole'}
        </button>
      )}
      <button type="button" className="act" disabled={anchor.isPending} onClick={() => anchor.mutate()}>
        Show its anchor
      </button>
    </span>
  );
}
