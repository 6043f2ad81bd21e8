import { Glyph } from '../ui/Glyph';
import { moneys, plural } from '../ui/format';
import type { Held, HeldCause } from './queries';
import { wordsOf, type Sides } from './words';

interface Props {
  held: Held;
  at: string;
  sides: Sides;
  onOpen: (cause: string) => void;
}

/** What holds records up, the longest and dearest first. */
export function Causes({ held, at, sides, onOpen }: Props) {
  const most = {
    days: Math.max(...held.causes.map((each) => each.days)),
    money: Math.max(...held.causes.map(weightOf), 1),
  };
  return (
    <section
      aria-label="Causes"
      className="sheet flex min-h-0 flex-col overflow-hidden rounded-b-none border-b-0"
    >
      <div className="border-base-300 flex items-baseline gap-2 border-b px-3.5 py-2">
        <h1 className="title text-[17px]">
          {plural(held.causes.length, 'cause')} {held.causes.length === 1 ? 'holds' : 'hold'} {held.count}
        </h1>
        <span className="ml-auto">{moneys(held.sums)}</span>
      </div>
      <p className="soft border-base-300 border-b px-3.5 py-1 text-[12px]">
        Oldest and dearest first: days wide, money high
      </p>
      <ul className="min-h-0 flex-1 overflow-auto">
        {held.causes.map((each) => {
          const words = wordsOf(each, sides);
          return (
            <li key={each.cause} data-cause={each.cause}>
              <button
                type="button"
                aria-pressed={each.cause === at}
                className={`border-base-300 grid w-full cursor-pointer grid-cols-[58px_1fr] gap-2.5 border-b px-3.5 py-2 text-left ${
                  each.cause === at ? 'bg-base-200 border-l-primary border-l-[3px]' : ''
                }`}
                onClick={() => onOpen(each.cause)}
              >
                <Area days={each.days / most.days} money={weightOf(each) / most.money} />
                <span className="min-w-0">
                  <b className="block">{words.title}</b>
                  <span className="soft block text-[12.5px]">
                    {plural(each.count, 'record')}, {moneys(each.sums)}, {plural(each.days, 'day')}
                  </span>
                  <span className="flex items-center gap-1.5 text-[12.5px]">
                    <Glyph state={words.state} size={20} /> {words.state.toLowerCase()}
                  </span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

const weightOf = (cause: HeldCause) =>
  cause.sums.reduce((sum, each) => sum + Math.abs(Number(each.amount)), 0);

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
