import { Glyph } from '../ui/Glyph';
import { moneys, plural, type Sum } from '../ui/format';
import type { Listed } from './listed';

interface Props {
  causes: Listed[];
  /** Of what was sent. */
  sums: Sum[];
  at: string;
  onOpen: (cause: string) => void;
}

/** What holds things up, the oldest and dearest first. */
export function Causes({ causes, sums, at, onOpen }: Props) {
  const most = {
    days: Math.max(...causes.map((each) => each.days)),
    money: Math.max(...causes.map((each) => each.money), 1),
  };
  const all = causes.reduce((sum, each) => sum + each.count, 0);
  return (
    <section
      aria-label="Causes"
      className="sheet flex min-h-0 flex-col overflow-hidden rounded-b-none border-b-0"
    >
      <div className="border-base-300 flex items-baseline gap-2 border-b px-3.5 py-2">
        <h1 className="title text-[17px]">
          {plural(causes.length, 'cause')} {causes.length === 1 ? 'holds' : 'hold'} {all}
        </h1>
        {sums.length > 0 && (
          <span className="ml-auto" title="Of what was sent and does not stand as it should">
            {moneys(sums)}
          </span>
        )}
      </div>
      <p className="soft border-base-300 border-b px-3.5 py-1 text-[12px]">
        Oldest and dearest first: days wide, money high
      </p>
      <ul className="min-h-0 flex-1 overflow-auto">
        {causes.map((each) => (
          <Cause key={each.cause} cause={each} at={at} most={most} onOpen={onOpen} />
        ))}
      </ul>
    </section>
  );
}

interface CauseProps {
  cause: Listed;
  at: string;
  most: { days: number; money: number };
  onOpen: (cause: string) => void;
}

const Cause = ({ cause, at, most, onOpen }: CauseProps) => (
  <li data-cause={cause.cause}>
    <button
      type="button"
      aria-pressed={cause.cause === at}
      className={`border-base-300 grid w-full cursor-pointer grid-cols-[58px_1fr] gap-2.5 border-b px-3.5 py-2 text-left ${
        cause.cause === at ? 'bg-base-200 border-l-primary border-l-[3px]' : ''
      }`}
      onClick={() => onOpen(cause.cause)}
    >
      <Area days={cause.days / most.days} money={cause.money / most.money} />
      <span className="min-w-0">
        <b className="block">{cause.title}</b>
        <span className="soft block text-[12.5px]">{cause.says}</span>
        <span className="flex items-center gap-1.5 text-[12.5px]">
          <Glyph state={cause.glyph} size={20} /> {cause.state}
        </span>
      </span>
    </button>
  </li>
);

/** How long by how much, against the longest and the dearest. */
function Area({ days, money }: { days: number; money: number }) {
  return (
    <svg viewBox="0 0 58 40" aria-hidden="true" className="h-10 w-[58px]">
      <path d="M1 0V39H58" className="stroke-base-content/30" fill="none" />
      <rect
        x="1"
        y={39 - Math.max(2, 38 * money)}
        width={Math.max(2, 56 * days)}
        height={Math.max(2, 38 * money)}
        className="fill-accent/60"
      />
    </svg>
  );
}
