import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { readinessQuery } from '../api/queries';
import { useCurrent } from '../app/current';

/** What readiness says before a batch goes: only what would go wrong. */
export function BatchReadiness() {
  const { route } = useCurrent();
  const readiness = useQuery(readinessQuery(route.code));
  if (readiness.error) {
    return <p className="text-accent text-[13px]">Readiness was not judged: {readiness.error.message}</p>;
  }
  const failing = readiness.data?.checks.filter((check) => check.verdict === 'BLOCKS') ?? [];
  const warns = readiness.data?.checks.filter((check) => check.verdict === 'WARNS').length ?? 0;
  if (!readiness.data) {
    return <p className="soft text-[13px]">Judging readiness…</p>;
  }
  return (
    <section aria-label="Readiness" className="text-[13px]">
      {failing.map((check) => (
        <p key={check.check} className="text-error mb-1">
          {check.found} {check.otherwise}
        </p>
      ))}
      <Link className="underline" to={`/connect?view=readiness&route=${route.code}`}>
        {failing.length === 0 && warns === 0
          ? 'Every check of readiness passes'
          : `${failing.length} of ${readiness.data.checks.length} checks block, ${warns} warn`}
      </Link>
    </section>
  );
}
