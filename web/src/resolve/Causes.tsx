import { Glyph } from '../ui/Glyph';
import { moneys, plural } from '../ui/format';
import { wordsOf as partyWords, type PartyCause } from './parties';
import type { Held, HeldCause } from './queries';
import { wordsOf, type Sides } from './words';

interface Props {
  held: Held;
  parties: PartyCause[];
  at: string;
  sides: Sides;
  onOpen: (cause: string) => void;
}

/** What holds records up, the longest and dearest first; then parties that differ. */
export function Causes({ held, parties, at, sides, onOpen }: Props) {
  const most = {
    days: Math.max(...held.causes.map((each) => each.days), ...parties.map((each) => each.days)),
    money: Math.max(...held.causes.map(weightOf), 1),
  };
  const causes = held.causes.length + parties.length;
  const all = held.count + parties.reduce((sum, each) => sum + each.count, 0);
  return (
    <section
      aria-label="Causes"
      className="sheet flex min-h-0 flex-col overflow-hidden rounded-b-none border-b-0"
    >
      <div className="border-base-300 flex items-baseline gap-2 border-b px-3.5 py-2">
        <h1 className="title text-[17px]">
          {plural(causes, 'cause')} {causes === 1 ? 'holds' : 'hold'} {all}
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
            <Cause
              key={each.cause}
              cause={each.cause}
              at={at}
              title={words.title}
              says={`${plural(each.count, 'record')}, ${moneys(each.sums)}, ${plural(each.days, 'day')}`}
              glyph={words.state}
              state={words.state.toLowerCase()}
              share={{ days: each.days / most.days, money: weightOf(each) / most.money }}
              onOpen={onOpen}
            />
          );
        })}
        {parties.map((each) => {
          const words = partyWords(each, sides);
          return (
            <Cause
              key={each.cause}
              cause={each.cause}
              at={at}
              title={words.title}
              says={`${plural(each.count, 'party')}, ${plural(each.days, 'day')}`}
              glyph="Diverged"
              state={words.state}
              share={{ days: each.days / most.days, money: 0 }}
              onOpen={onOpen}
            />
          );
        })}
      </ul>
    </section>
  );
}

interface CauseProps {
  cause: string;
  at: string;
  title: string;
  says: string;
  glyph: string;
  state: string;
  share: { days: number; money: number };
  onOpen: (cause: string) => void;
}

const Cause = ({ cause, at, title, says, glyph, state, share, onOpen }: CauseProps) => (
  <li data-cause={cause}>
    <button
      type="button"
      aria-pressed={cause === at}
      className={`border-base-300 grid w-full cursor-pointer grid-cols-[58px_1fr] gap-2.5 border-b px-3.5 py-2 text-left ${
        cause === at ? 'bg-base-200 border-l-primary border-l-[3px]' : ''
      }`}
      onClick={() => onOpen(cause)}
    >
      <Area {...share} />
      <span className="min-w-0">
        <b className="block">{title}</b>
        <span className="soft block text-[12.5px]">{says}</span>
        <span className="flex items-center gap-1.5 text-[12.5px]">
          <Glyph state={glyph} size={20} /> {state}
        </span>
      </span>
    </button>
  </li>
);

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
