import type { Schemas } from '../api/client';
import { plural } from '../ui/format';
import { AccountSums } from './AccountSums';
import { Months } from './Months';
import { becomes, changed } from './words';

/** The left page: what has not crossed, and moves by itself. */
export function WaitingSide({ waiting }: { waiting: Schemas['WaitingSide'] }) {
  const count = changed(waiting.kinds);
  return (
    <section aria-label="Not posted yet" className="flex min-w-0 flex-col gap-2 overflow-auto px-4 py-2">
      <h3 className="title text-primary text-[16px]">Not posted yet: moves by itself</h3>
      <p className="soft text-[13px]">
        {waiting.looked === 0
          ? 'Nothing that waits uses this code.'
          : count === 0
            ? `None of ${plural(waiting.looked, 'document')} that wait and use this code would change.`
            : `Of ${plural(waiting.looked, 'document')} that wait and use this code, ${count} would change. Nothing is sent by saving.`}
      </p>
      {count > 0 && (
        <>
          <ul className="text-[13px]">
            {becomes(waiting.kinds).map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
          <Months months={waiting.months} head="Dated" />
          {waiting.accounts.length > 0 && (
            <AccountSums title="What the waiting documents put there" sums={waiting.accounts} />
          )}
        </>
      )}
      {waiting.onTheWay > 0 && (
        <p className="text-accent text-[13px]">
          {plural(waiting.onTheWay, 'document')} on the way go as they were shown.
        </p>
      )}
    </section>
  );
}
