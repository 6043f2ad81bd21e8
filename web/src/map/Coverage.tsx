import { useCurrent } from '../app/current';
import { Figure } from '../help/Figure';
import { money, sum } from '../ui/format';
import type { MapRow } from './MapPage';

/** How much of a crosswalk stands, and what the rest holds up. */
export function Coverage({ rows: all }: { rows: MapRow[] }) {
  const { route } = useCurrent();
  const rows = all.filter((row) => row.row !== undefined || row.needed);
  const open = rows.filter((row) => row.open);
  const own = rows.filter((row) => row.row).length;
  const covered = rows.length - open.length - own;
  const share = (count: number) => `${rows.length === 0 ? 0 : (count / rows.length) * 100}%`;
  const held = sum(open.map((row) => row.blockedAmount));
  return (
    <div className="w-[290px]">
      <div
        role="meter"
        aria-label="Coverage"
        aria-valuemin={0}
        aria-valuemax={rows.length}
        aria-valuenow={rows.length - open.length}
        className="bg-base-300 flex h-[9px] overflow-hidden rounded-full"
      >
        <span className="bg-primary" style={{ width: share(own) }} />
        <span className="bg-primary/50" style={{ width: share(covered) }} />
      </div>
      <p className="soft truncate text-[12px]">
        <Figure rule="coverage" name="Coverage">
          {own} mapped, {covered} covered, {open.length} open
          {open.length > 0 && ` hold up ${money(held, route.currency)}`}
        </Figure>
      </p>
    </div>
  );
}
