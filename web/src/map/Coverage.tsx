import { useCurrent } from '../app/current';
import { Figure } from '../help/Figure';
import type { Schemas } from '../api/client';
import { counted, money } from '../ui/format';

/** Which share of what waits is not held up by this. */
const free = (heldUp: string, waiting: string) =>
  Number(waiting) <= 0 ? 1 : Math.min(1, Math.max(0, 1 - Number(heldUp) / Number(waiting)));

/** Which share of the codes that are needed has an answer. */
export const answered = ({
  mapped,
  covered,
  open,
}: Pick<Schemas['KindCounts'], 'mapped' | 'covered' | 'open'>) =>
  mapped + covered + open === 0 ? 1 : (mapped + covered) / (mapped + covered + open);

/** How much of a crosswalk stands, by number and by money, and what the rest holds up. */
export function Coverage({ counts }: { counts: Schemas['KindCounts'] | undefined }) {
  const { route } = useCurrent();
  if (!counts) {
    return <p className="soft font-sans text-[12px] font-normal">Counting…</p>;
  }
  const { mapped, covered, open, heldUp, waiting } = counts;
  const all = mapped + covered + open;
  const share = (count: number) => `${all === 0 ? 0 : (count / all) * 100}%`;
  return (
    <div className="flex min-w-0 items-center gap-2 font-sans font-normal">
      <p className="soft truncate text-[12px]">
        <Figure rule="coverage" name="Coverage">
          {counted(mapped)} mapped, {counted(covered)} covered, {counted(open)} open
          {open > 0 && ` hold up ${money(heldUp, route.currency)}`}
        </Figure>
      </p>
      <div className="w-[150px] shrink-0">
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
        <div
          role="meter"
          aria-label="Coverage of what waits"
          aria-valuemin={0}
          aria-valuemax={Number(waiting)}
          aria-valuenow={Number(waiting) - Number(heldUp)}
          title={`${money(heldUp, route.currency)} of ${money(waiting, route.currency)} that wait are held up by it`}
          className="bg-accent/60 mt-[2px] flex h-[4px] overflow-hidden rounded-full"
        >
          <span className="bg-secondary" style={{ width: `${free(heldUp, waiting) * 100}%` }} />
        </div>
      </div>
    </div>
  );
}
