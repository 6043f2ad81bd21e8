import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { useCurrent } from '../app/current';
import { plural } from '../ui/format';
import { AccountSums } from './AccountSums';
import { Drafts } from './Drafts';
import { Months } from './Months';
import { REASONS } from './words';

/** The right page: what stands on the ledger, and stays as it is unless somebody puts it right. */
export function PostedSide({ posted }: { posted: Schemas['PostedSide'] }) {
  const { route } = useCurrent();
  return (
    <section
      aria-label="Posted under the old row"
      className="flex min-w-0 flex-col gap-2 overflow-auto px-4 py-2"
    >
      <h3 className="title text-secondary text-[16px]">Posted before: stays, unless you correct it</h3>
      <p className="soft text-[13px]">
        {posted.looked === 0
          ? `Nothing on ${route.ledger} uses this code.`
          : posted.moved === 0
            ? `Of ${plural(posted.looked, 'document')} on ${route.ledger} that use this code, none has to be moved.`
            : `Of ${plural(posted.looked, 'document')} on ${route.ledger} that use this code, ${posted.moved} would belong elsewhere. They are not sent again.`}
      </p>
      {posted.moved > 0 && (
        <>
          <Months months={posted.months} head="Posted in" posted />
          <AccountSums title="What they have put there" sums={posted.accounts} />
        </>
      )}
      {posted.journals.length > 0 && (
        <>
          <h4 className="text-[12.5px] font-semibold">
            Draft: {plural(posted.journals.length, 'journal')} to enter on {route.ledger}
          </h4>
          <Drafts journals={posted.journals} />
          <p className="soft text-[12.5px]">
            A draft is kept under Corrections and changes nothing until somebody enters it there.
          </p>
        </>
      )}
      {posted.unclearCount > 0 && (
        <>
          <h4 className="text-accent text-[13px] font-semibold">
            {plural(posted.unclearCount, 'document')} that no journal of ours puts right
          </h4>
          <ul className="text-[12.5px]">
            {posted.unclear.map((each) => (
              <li key={each.id}>
                <Link className="underline" to={`/documents/${each.id}?route=${route.code}`}>
                  {each.number}
                </Link>{' '}
                {each.party} {REASONS[each.reason]}
              </li>
            ))}
            {posted.unclearCount > posted.unclear.length && (
              <li className="soft">and {posted.unclearCount - posted.unclear.length} more</li>
            )}
          </ul>
        </>
      )}
    </section>
  );
}
