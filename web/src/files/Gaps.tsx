import type { Schemas } from '../api/client';
import { plural } from '../ui/format';

/** What invoices lack that their standard asks for: they are written all the same. */
export function Gaps({ gaps, ledger }: { gaps: Schemas['GapJson'][]; ledger: string }) {
  return gaps.length === 0 ? null : (
    <div className="text-accent mt-1 text-[13px]">
      <p>Where {ledger} holds invoices against EN 16931, it will refuse some of these:</p>
      <ul className="ml-4 list-disc">
        {gaps.map((gap) => (
          <li key={gap.rule}>
            {gap.sentence} ({gap.rule}): {plural(gap.records, 'document')}, {gap.example} one of them
          </li>
        ))}
      </ul>
    </div>
  );
}
