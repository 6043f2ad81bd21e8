import { useState } from 'react';
import { useFollowGone } from '../release/useFollowGone';
import { DoOrLeave } from '../ui/DoOrLeave';
import { Failure } from '../ui/Failure';
import { plural } from '../ui/format';
import type { HeldCause } from './queries';
import { whatOf } from './words';

/** One answer for all that one side does not have any more. What that is, is said first. */
export function FollowAllGone({ cause, to }: { cause: HeldCause; to: string }) {
  const [asked, setAsked] = useState(false);
  const follow = useFollowGone();
  const again = whatOf(cause) === 'gone-there';
  const all = cause.records.length;
  if (!asked) {
    return (
      <button type="button" className="act" onClick={() => setAsked(true)}>
        {again ? `Send all ${all} again` : `Take all ${all} back`}
      </button>
    );
  }
  return (
    <form
      className="border-accent flex flex-wrap items-center gap-3 border-l-[3px] px-3"
      onSubmit={(event) => {
        event.preventDefault();
        follow.mutate(
          cause.records.map((each) => each.id),
          { onSuccess: () => setAsked(false) },
        );
      }}
    >
      <span>
        {plural(all, 'record')} {again ? `go to ${to} again` : `are taken back in ${to}`}.
      </span>
      <DoOrLeave
        says={again ? `Send ${plural(all, 'record')}` : `Take ${plural(all, 'record')} back`}
        disabled={follow.isPending}
        onLeave={() => setAsked(false)}
      />
      {follow.error && <Failure error={follow.error} />}
    </form>
  );
}
