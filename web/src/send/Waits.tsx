import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { waitingQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { Glyph } from '../ui/Glyph';
import { money, day, plural, totals } from '../ui/format';
import { STATE_OF, WORD } from './outcomes';

type Waiting = Schemas['Waiting'];

/** Route by route what waits to be sent, and under it what failed and what the ledger has beyond us. */
export function Waits() {
  const waiting = useQuery(waitingQuery);
  if (waiting.error) {
    return <Failure error={waiting.error} />;
  }
  return (
    <table className="book" aria-label="What waits to be sent">
      <colgroup>
        <col />
        <col style={{ width: 190 }} />
        <col style={{ width: 54 }} />
        <col style={{ width: 200 }} />
        <col style={{ width: 120 }} />
        <col style={{ width: 210 }} />
      </colgroup>
      <thead className="soft">
        <tr>
          <th>Route</th>
          <th className="amount">Ready, never sent</th>
          <th className="gutter" />
          <th className="amount">Changed since it was posted</th>
          <th className="amount">On its way</th>
          <th />
        </tr>
      </thead>
      {waiting.data?.map((each) => (
        <tbody key={each.route}>
          <RouteLine waiting={each} />
          {each.failed.map((failed) => (
            <FailedLine
              key={`${failed.outcome} ${failed.code} ${failed.sentence} ${failed.currency}`}
              failed={failed}
              of={each}
            />
          ))}
          {each.beyond.length > 0 && <BeyondLine of={each} />}
        </tbody>
      ))}
    </table>
  );
}

function RouteLine({ waiting }: { waiting: Waiting }) {
  const { ready, changed } = waiting;
  const nothing = ready.count + changed.count === 0;
  return (
    <tr data-route={waiting.route}>
      <td>
        <b>{waiting.source}</b>
        {waiting.site !== '' && ` at ${waiting.site}`} <span className="soft">to</span>{' '}
        <b>{waiting.ledger}</b>
        <span className="soft">, {waiting.currency}</span>
      </td>
      <td className="amount">
        {ready.count > 0 ? (
          <Sum group={ready} known={waiting.currency} />
        ) : (
          <span className="soft">none</span>
        )}
      </td>
      <td className="gutter" />
      <td className="amount">
        {changed.count > 0 ? (
          <Sum group={changed} known={waiting.currency} />
        ) : (
          <span className="soft">none</span>
        )}
      </td>
      <td className="amount">{waiting.onItsWay > 0 ? waiting.onItsWay : ''}</td>
      <td className="text-right">
        {nothing ? (
          <span className="soft">nothing waits</span>
        ) : waiting.toFiles ? (
          <span className="soft">takes files, not written yet</span>
        ) : (
          <Link className="act inline-flex" to={`/release?route=${waiting.route}&state=Ready&panel=batch`}>
            See what a batch will do
          </Link>
        )}
      </td>
    </tr>
  );
}

const Sum = ({ group, known }: { group: Schemas['Group']; known: string }) => (
  <>
    {totals(group.gross, known)} <span className="soft">({group.count})</span>
  </>
);

function FailedLine({ failed, of }: { failed: Schemas['Failed']; of: Waiting }) {
  return (
    <tr
      className={failed.outcome === 'refused' ? 'cause cause-refused' : 'cause'}
      data-failed={failed.outcome}
    >
      <td colSpan={6} className="!py-1 !whitespace-normal">
        <span className="flex items-center gap-2">
          <Glyph state={STATE_OF[failed.outcome] ?? 'Ready'} />
          <span>
            <b>{failed.sentence === '' ? WORD[failed.outcome] : `“${failed.sentence}”`}</b>{' '}
            {plural(failed.count, 'document')}, {money(failed.gross, failed.currency)}
            {failed.advice !== '' && <span className="text-base-content">. {failed.advice}</span>}
          </span>
          <Link className="ml-auto shrink-0 underline" to={`/send/${failed.batch}?route=${of.route}`}>
            Batch {failed.batch}
          </Link>
        </span>
      </td>
    </tr>
  );
}

/** What a person would want to hear of at once: it is on the books, and we do not know of having sent it. */
function BeyondLine({ of }: { of: Waiting }) {
  return (
    <tr className="cause" data-beyond={of.route}>
      <td colSpan={6} className="!py-1 !whitespace-normal">
        <details>
          <summary className="cursor-pointer">
            <b>
              {of.ledger} has {plural(of.beyond.length, 'document')} under our reference that nobody here
              knows of having sent.
            </b>{' '}
            Fetch both sides, or take the files in again: each is then recognised, and not sent twice.
          </summary>
          <ul className="mt-1 ml-4 text-[13px]">
            {of.beyond.map((each) => (
              <li key={each.reference}>
                {each.number}, {day(each.date)}, {money(each.gross, of.currency)}{' '}
                <span className="soft">({each.reference})</span>
              </li>
            ))}
          </ul>
        </details>
      </td>
    </tr>
  );
}
