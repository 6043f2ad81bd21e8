import { useCurrent } from '../app/current';
import { Figure } from '../help/Figure';
import type { Schemas } from '../api/client';
import { counted, money } from '../ui/format';

/** How much of a crosswalk stands, and what the rest holds up. */
export function Coverage({ counts }: { counts: Schemas['KindCounts'] | undefined }) {
  const { route } = useCurrent();
  const { mapped, covered, open, heldUp } = counts ?? { mapped: 0, covered: 0, open: 0, heldUp: '0' };
  const all = mapped + covered + open;
  const share = (count: number) => `${all === 0 ? 0 : (count / all) * 100}%`;
  return (
    <div className="w-[290px]">
      <div
        role="meter"
        aria-label="Coverage"
        aria-valuemin={0}
        aria-valuemax={all}
        aria-valuenow={all - open}
        className="bg-base-300 flex h-[9px] overflow-hidden rounded-full"
      >
        <span className="bg-primary" style={{ width: share(mapped) }} />
        <span className="bg-primary/50" style={{ width: share(covered) }} />
      </div>
      <p className="soft truncate text-[12px]">
        <Figure rule="coverage" name="Coverage">
          {counted(mapped)} mapped, {counted(covered)} covered, {counted(open)} open
          {open > 0 && ` hold up ${money(heldUp, route.currency)}`}
        </Figure>
      </p>
    </div>
  );
}
