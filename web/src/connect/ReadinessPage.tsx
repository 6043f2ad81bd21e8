import { useQuery } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { readinessQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
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
    <div className="min-h-0 flex-1 overflow-auto p-4">
      <header className="mb-3 flex items-center gap-3">
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
      <table className="w-full" aria-label="Readiness">
        <thead>
          <tr className="soft text-left text-[12.5px]">
            <th className="w-[110px] py-1 font-semibold" />
            <th className="w-[250px] font-semibold">Check</th>
            <th className="font-semibold">What was found, and what happens otherwise</th>
            <th className="w-[320px] font-semibold">Where to change it</th>
            <th className="w-[110px] text-right font-semibold">Gross, {route.currency}</th>
          </tr>
        </thead>
        <tbody>
          {checks.map((check) => (
            <Row key={check.check} check={check} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Row({ check }: { check: Check }) {
  return (
    <tr data-check={check.check} data-verdict={check.verdict} className="border-base-300 border-t align-top">
      <td className="py-1.5">
        <Verdict verdict={check.verdict} />
      </td>
      <td className="py-1.5 pr-3">{check.title}</td>
      <td className={`py-1.5 pr-4 ${check.verdict === 'PASSES' ? 'soft' : ''}`}>
        {check.found} {check.otherwise !== '' && <b>{check.otherwise}</b>}
      </td>
      <td className="py-1.5 pr-3 text-[13px]">
        {check.remedy}{' '}
        {check.link !== '' && (
          <Link className="underline" to={check.link}>
            Go there
          </Link>
        )}
      </td>
      <td className="py-1.5 text-right">
        {check.documents > 0 && !/^0[.0]*$/.test(check.amount) && amount(check.amount)}
      </td>
    </tr>
  );
}
