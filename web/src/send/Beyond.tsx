import type { Schemas } from '../api/client';
import { money, day, plural } from '../ui/format';

/** What a person would want to hear of at once: it is on the books, and we do not know of having sent it. */
export const Beyond = ({ of }: { of: Schemas['Waiting'] }) =>
  of.beyond.length > 0 && (
    <details className="text-accent bg-accent/10 shrink-0 px-2 py-1 text-[13px]" data-beyond={of.route}>
      <summary className="cursor-pointer">
        <b>
          {of.ledger} has {plural(of.beyond.length, 'document')} under our reference that nobody here knows of
          having sent.
        </b>{' '}
        Fetch both sides, or take the files in again: each is then recognised, and not sent twice.
      </summary>
      <ul className="mt-1 ml-4 max-h-40 overflow-auto text-[13px]">
        {of.beyond.map((each) => (
          <li key={each.reference}>
            {each.number}, {day(each.date)}, {money(each.gross, of.currency)}{' '}
            <span className="soft">({each.reference})</span>
          </li>
        ))}
      </ul>
    </details>
  );
