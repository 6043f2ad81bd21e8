import { Glyph } from '../ui/Glyph';
import { moneys, plural, type Sum } from '../ui/format';
import type { Listed } from './listed';

interface Props {
  causes: Listed[];
  /** Of what was sent. */
  sums: Sum[];
  at: string;
  /** Whether runs fail, so that nothing new is known. */
  failing: boolean;
  onOpen: (cause: string) => void;
}

/** What holds things up: of what was sent, then of what is still to be. */
export function Causes({ causes, sums, at, failing, onOpen }: Props) {
  const most = {
    days: Math.max(...causes.map((each) => each.days)),
    money: Math.max(...causes.map((each) => each.money), 1),
  };
  const sent = causes.filter((each) => each.about.kind !== 'warning');
  const before = causes.filter((each) => each.about.kind === 'warning');
  const listed = (all: Listed[]) =>
    all.map((each) => <Cause key={each.cause} cause={each} at={at} most={most} onOpen={onOpen} />);
  return (
    <section
      aria-label="Causes"
      className="sheet flex min-h-0 flex-col overflow-hidden rounded-b-none border-b-0"
    >
      <div className="border-base-300 flex items-baseline gap-2 border-b px-3.5 py-2">
        <h1 className="title text-[17px]">{holding(sent, failing)}</h1>
        <span className="ml-auto">{moneys(sums)}</span>
      </div>
      <p className="soft border-base-300 border-b px-3.5 py-1 text-[12px]">
        {sent.length > 0
          ? 'Oldest and dearest first: days wide, money high'
          : 'Nothing that was sent is refused, unanswered or changed since'}
      </p>
      <div className="min-h-0 flex-1 overflow-auto">
        <ul>{listed(sent)}</ul>
        {before.length > 0 && (
          <>
            <h2 className="title border-base-300 bg-base-200 border-b px-3.5 py-1.5 text-[15px]">
              Before it is sent: {plural(before.length, 'cause')}
            </h2>
            <ul>{listed(before)}</ul>
          </>
        )}
      </div>
    </section>
  );
}

function holding(sent: Listed[], failing: boolean): string {
  if (sent.length === 0) {
    return failing ? 'Both sides agreed' : 'Both sides agree';
  }
  const all = sent.reduce((sum, each) => sum + each.count, 0);
  return `${plural(sent.length, 'cause')} ${sent.length === 1 ? 'holds' : 'hold'} ${all}`;
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
