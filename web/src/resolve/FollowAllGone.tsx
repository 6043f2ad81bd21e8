import { useState } from 'react';
import { useFollowGone } from '../release/useFollowGone';
import { AskedFirst } from '../ui/AskedFirst';
import { plural } from '../ui/format';
import type { HeldCause } from './queries';
import { whatOf } from './words';

/** One answer for all that one side does not have any more. What that is, is said first. */
export function FollowAllGone({ cause, to }: { cause: HeldCause; to: string }) {
  const [asked, setAsked] = useState(false);
  const follow = useFollowGone();
  const again = whatOf(cause) === 'gone-there';
  const all = cause.records.length;
  return (
    <AskedFirst
      button={again ? `Send all ${all} again` : `Take all ${all} back`}
      asked={asked}
      onAsked={setAsked}
      says={again ? `Send ${plural(all, 'record')}` : `Take ${plural(all, 'record')} back`}
      doing={follow}
      onDo={() =>
        follow.mutate(
          cause.records.map((each) => each.id),
          { onSuccess: () => setAsked(false) },
        )
      }
    >
      {plural(all, 'record')} {again ? `go to ${to} again` : `are taken back in ${to}`}.
    </AskedFirst>
  );
}
