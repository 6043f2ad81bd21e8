import { useHotkeys } from 'react-hotkeys-hook';
import type { Schemas } from '../api/client';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { whereGone } from './gone';
import { useFollowGone } from './useFollowGone';

interface Props {
  document: Schemas['DocumentRow'];
  /** The side that does not have it, `source` or `ledger`. */
  gone: string;
}

/** What one side does not have any more follows the side that made it, if somebody says so. */
export function GoneAnswer({ document, gone }: Props) {
  const { me, route } = useCurrent();
  const where = whereGone(document.origin, gone, route);
  const follow = useFollowGone();
  useHotkeys('1', () => follow.mutate([document.id]), {
    enabled: me.mayChange && !follow.isPending,
    preventDefault: true,
  });
  return (
    <div className="border-accent bg-base-200 mx-4 my-2 flex flex-wrap items-center gap-2 border-l-[3px] px-3 py-2">
      <p className="min-w-60 flex-1 text-[13px]">{where.says}</p>
      {me.mayChange && (
        <button
          type="button"
          className="act act-main"
          disabled={follow.isPending}
          onClick={() => follow.mutate([document.id])}
        >
          {where.does} <Key>1</Key>
        </button>
      )}
      {follow.error && <Failure error={follow.error} />}
    </div>
  );
}
