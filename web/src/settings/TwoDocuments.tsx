import type { Schemas } from '../api/client';
import { factSaid } from '../ui/facts';
import { amount } from '../ui/format';
import { changedRows } from './values';

type Side = Schemas['LedgerSide'];

interface Props {
  before: Side;
  after: Side;
  changed: boolean;
  ledger: string;
  currency: string;
  /** One below the other, where there is no room beside it. */
  stacked?: boolean;
}

/** The same document on the ledger as it would be now, and as it would be then; only what differs has colour. */
export function TwoDocuments({ before, after, changed, ledger, currency, stacked = false }: Props) {
  return changed ? (
    <div className={`grid gap-4 ${stacked ? '' : 'grid-cols-2'}`}>
      <OneDocument title={`On ${ledger} now`} side={before} other={after} currency={currency} />
      <OneDocument title={`On ${ledger} then`} side={after} other={before} currency={currency} />
    </div>
  ) : (
    <OneDocument title={`On ${ledger}`} side={before} other={before} currency={currency} />
  );
}

interface OneProps {
  title: string;
  side: Side;
  other: Side;
  currency: string;
}

function OneDocument({ title, side, other, currency }: OneProps) {
  return (
    <section aria-label={title} className="min-w-0 text-[13px]">
      <h3 className="title text-secondary mb-1 text-[14px]">{title}</h3>
      {side.findings.map((finding) => (
        <p key={finding} className="border-accent text-accent mb-1 border-l-[3px] pl-2">
          {finding}
        </p>
      ))}
      {side.facts.length === 0 && <p>It would not cross.</p>}
      <dl className="mb-2 grid grid-cols-[auto_1fr] gap-x-3">
        {side.facts.map((fact) => (
          <Fact key={fact.name} fact={fact} differs={differs(fact, other)} />
        ))}
      </dl>
      <Lines side={side} other={other} />
      <Journal title={`Journal, ${currency}`} rows={side.journal} other={other.journal} />
      <Journal title="Once it is paid" rows={side.receipt} other={other.receipt} />
    </section>
  );
}

const differs = (fact: Schemas['SentFact'], other: Side) =>
  !other.facts.some((each) => each.name === fact.name && each.value === fact.value);

const mark = (changed: boolean | undefined) => (changed ? 'text-accent font-semibold' : '');

const Fact = ({ fact, differs: changed }: { fact: Schemas['SentFact']; differs: boolean }) => (
  <>
    <dt className="soft">{fact.name}</dt>
    <dd className={mark(changed)} title={fact.value}>
      {factSaid(fact.name, fact.value)}
    </dd>
  </>
);

function Lines({ side, other }: { side: Side; other: Side }) {
  const changed = changedRows(side.lines, other.lines);
  return (
    <table className="slip mb-2" aria-label="Lines">
      <tbody>
        {side.lines.map((line, place) => (
          <tr key={place} className={mark(changed[place])}>
            <td className="w-full">
              {line.text}
              {line.item !== '' && <span className="soft font-normal"> {line.item}</span>}
            </td>
            <td>{line.account}</td>
            <td>{line.taxCode}</td>
            <td className="amount">{amount(line.amount)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface JournalProps {
  title: string;
  rows: Schemas['Booking'][];
  other: Schemas['Booking'][];
}

function Journal({ title, rows, other }: JournalProps) {
  const changed = changedRows(rows, other);
  return (
    rows.length > 0 && (
      <table className="slip mb-2" aria-label={title}>
        <thead>
          <tr className="soft">
            <th className="w-full">{title}</th>
            <th className="amount">Debit</th>
            <th className="amount">Credit</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, place) => (
            <tr key={row.account + row.debit} className={mark(changed[place])}>
              <td>
                {row.account} {row.name}
              </td>
              <td className="amount">{amount(row.debit)}</td>
              <td className="amount">{amount(row.credit)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    )
  );
}
