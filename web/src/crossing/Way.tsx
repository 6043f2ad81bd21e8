import type { Mark } from './rows';

interface Props {
  /** `none`, `to-ledger`, `from-ledger` or `both`. */
  direction: string;
  mark: Mark;
  /** Whether the source, and the ledger, have such a thing. */
  told: boolean;
  taken: boolean;
  says: string;
}

const SOURCE = 'text-primary';
const LEDGER = 'text-secondary';

/** The way of a kind between the two shores; where a side has no such thing, its shore is broken. */
export function Way({ direction, mark, told, taken, says }: Props) {
  const to = direction === 'to-ledger' || direction === 'both';
  const from = direction === 'from-ledger' || direction === 'both';
  const both = to && from;
  return (
    <svg
      viewBox="0 0 104 24"
      role="img"
      aria-label={says}
      className="inline-block h-6 w-[104px] align-middle"
    >
      <Shore x={2} whole={told} className={SOURCE} />
      <Shore x={102} whole={taken} className={LEDGER} />
      {to && taken && <Line y={both ? 7 : 12} from={5} to={97} mark={mark} className={SOURCE} />}
      {from && <Line y={both ? 17 : 12} from={99} to={7} mark="" className={LEDGER} />}
      {((!to && !from) || (to && !from && !taken)) && (
        <g className="text-base-content/40" stroke="currentColor" strokeWidth="1.5">
          <path d="M7 12H20" />
          <path d="M84 12H97" />
        </g>
      )}
    </svg>
  );
}

const Shore = ({ x, whole, className }: { x: number; whole: boolean; className: string }) => (
  <path
    d={`M${x} 1V23`}
    className={className}
    stroke="currentColor"
    strokeWidth={whole ? 3 : 1.5}
    strokeDasharray={whole ? undefined : '2 3'}
  />
);

interface LineProps {
  y: number;
  from: number;
  to: number;
  mark: Mark;
  className: string;
}

function Line({ y, from, to, mark, className }: LineProps) {
  const back = to < from ? 1 : -1;
  return (
    <g className={className} stroke="currentColor" strokeWidth="1.75" fill="none">
      <path d={`M${from} ${y}H${to}`} />
      <path d={`M${to + back * 6} ${y - 4}L${to} ${y}L${to + back * 6} ${y + 4}`} fill="currentColor" />
      {mark === 'held' && <path d={`M24 ${y - 5}v10M29 ${y - 5}v10M34 ${y - 5}v10`} />}
      {mark === 'when first needed' && <path d={`M26 ${y - 4}l5 4l-5 4`} />}
    </g>
  );
}
