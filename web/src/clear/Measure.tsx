import { amount, sum } from '../ui/format';
import { amountOf, named, type MeansGroup } from './ticked';

interface Props {
  /** Only what is ticked. */
  groups: MeansGroup[];
  stated: string | undefined;
}

/** Below that, in per cent of the whole, neighbours are one piece. */
const THINNEST = 0.35;

/** Fills up to what the slip says, piece by piece. */
export function Measure({ groups, stated }: Props) {
  const ticked = amountOf(groups.flatMap((each) => each.receipts));
  const whole = Math.max(Number(ticked), Number(stated ?? 0));
  if (whole <= 0) {
    return <div className="h-[54px]" />;
  }
  const share = (of: string) => (Number(of) / whole) * 100;
  const short = stated === undefined ? '0' : sum([stated, `-${ticked}`.replace('--', '')]);
  return (
    <div className="px-4 pt-3 pb-1 text-[12px]" aria-hidden="true">
      <div className="relative flex h-[20px]">
        {groups.map((group) => (
          <div
            key={group.means}
            className="flex overflow-hidden"
            style={{ width: `${Math.max(0, share(amountOf(group.receipts)))}%` }}
          >
            {pieces(group, share).map((width, index) => (
              <i
                key={index}
                className={`border-base-100 h-full shrink-0 border-r-2 ${group.cash ? 'bg-primary/60' : 'bg-primary'}`}
                style={{ width: `${width}%` }}
              />
            ))}
          </div>
        ))}
        {Number(short) > 0 && <i className="measure-short h-full" style={{ width: `${share(short)}%` }} />}
        {stated !== undefined && (
          <span
            className="bg-secondary absolute -top-[6px] -bottom-[2px] w-[3px] -translate-x-full"
            style={{ left: `${share(stated)}%` }}
          />
        )}
      </div>
      <div className="flex gap-4 pt-[2px]">
        {groups.map((group) => (
          <span key={group.means}>
            {named(group.means).toLowerCase()} {amount(amountOf(group.receipts))}
          </span>
        ))}
        {Number(short) > 0 && <b className="text-accent ml-auto">{amount(short)} short</b>}
        {Number(short) < 0 && <b className="text-accent ml-auto">{amount(short.slice(1))} over</b>}
      </div>
    </div>
  );
}

/** Their shares of the group, in per cent; those too thin to be seen are one piece with their neighbours. */
function pieces(group: MeansGroup, share: (of: string) => number): number[] {
  const all = group.receipts.filter((each) => Number(each.amount) > 0);
  const whole = all.reduce((total, each) => total + Number(each.amount), 0);
  const widths: number[] = [];
  let thin = 0;
  for (const each of all) {
    const width = (Number(each.amount) / whole) * 100;
    if (share(each.amount) < THINNEST) {
      thin += width;
    } else {
      widths.push(width);
    }
  }
  return thin > 0 ? [...widths, thin] : widths;
}
