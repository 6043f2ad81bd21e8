import { useQuery } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { readinessQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Key } from '../ui/Key';
import { amount, moment } from '../ui/format';
import { Verdict } from './Verdict';

type Check = Schemas['CheckJson'];

const ORDER: Record<Check['verdict'], number> = { BLOCKS: 0, WARNS: 1, PASSES: 2 };

/** What would go wrong later, with how much money, and where to change it. */
export function ReadinessPage({ route }: { route: Schemas['RouteJson'] }) {
  const readiness = useQuery(readinessQuery(route.code));
  useHotkeys('r', () => void readiness.refetch());
  if (readiness.error) {
    return (
      <div className="p-4">
        <Failure error={readiness.error} />
        <button type="button" className="act mt-2" onClick={() => void readiness.refetch()}>
          Judge again
        </button>
      </div>
    );
  }
  if (!readiness.data) {
    return <p className="p-4">Looking at both sides…</p>;
  }
  const checks = [...readiness.data.checks].sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]);
  const count = (verdict: Check['verdict']) => checks.filter((check) => check.verdict === verdict).length;
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <header className="flex items-center gap-3 px-4 py-2">
        <h2 className="title text-[18px]">
          Is {route.source} ready to cross to {route.ledger}?
        </h2>
        <span className="soft">
          {route.toFiles && `${route.ledger} cannot be asked, so only what is known here is judged. `}
          {count('BLOCKS')} block, {count('WARNS')} warn, {count('PASSES')} pass; judged{' '}
          {moment(readiness.data.at)}
        </span>
        <button
          type="button"
          className="act ml-auto"
          disabled={readiness.isFetching}
          onClick={() => void readiness.refetch()}
        >
          {readiness.isFetching ? 'Judging…' : 'Judge again'} <Key>r</Key>
        </button>
        <a className="act" href={readiness.data.report} target="_blank" rel="noreferrer">
          Print for the accountant
        </a>
      </header>
      <Book
        name="readiness"
        label="Readiness"
        columns={columnsIn(route.currency)}
        rows={checks}
        keyOf={(check) => check.check}
        dataOf={({ check, verdict }) => ({ check, verdict })}
      />
    </div>
  );
}

const columnsIn = (currency: string): Column<Check>[] => [
  {
    id: 'verdict',
    name: 'Verdict',
    unnamed: true,
    width: 110,
    value: (check) => check.verdict,
    rank: (check) => ORDER[check.verdict],
    cell: (check) => <Verdict verdict={check.verdict} />,
  },
  {
    id: 'check',
    name: 'Check',
    width: 240,
    wraps: true,
    value: (check) => check.title,
    cell: (check) => check.title,
  },
  {
    id: 'found',
    name: 'What was found, and what happens otherwise',
    wraps: true,
    value: (check) => `${check.found} ${check.otherwise}`.trim(),
    tone: (check) => (check.verdict === 'PASSES' ? 'soft' : undefined),
    cell: (check) => (
      <>
        {check.found} {check.otherwise !== '' && <b>{check.otherwise}</b>}
      </>
    ),
  },
  {
    id: 'remedy',
    name: 'Where to change it',
    width: 310,
    wraps: true,
    value: (check) => check.remedy,
    cell: (check) => (
      <>
        {check.remedy}{' '}
        {check.link !== '' && (
          <Link className="underline" to={check.link}>
            Go there
          </Link>
        )}
      </>
    ),
  },
  {
    id: 'gross',
    name: `Gross, ${currency}`,
    width: 110,
    amount: true,
    value: (check) => check.amount,
    rank: (check) => Number(check.amount),
    cell: (check) => check.documents > 0 && !/^0[.0]*$/.test(check.amount) && amount(check.amount),
  },
];
