import type { Schemas } from '../api/client';
import { amount, moment } from '../ui/format';
import type { Row } from './useRows';

export type WhyLine = Schemas['WhyLine'];
type Step = Schemas['WalkStepJson'];

const NAMES: Record<string, string> = {
  'line-override': 'Override on this line',
  item: 'Item',
  category: 'Category',
  supplier: 'Supplier',
  role: 'Role of the route',
};

export function question(row: Row, line: WhyLine | undefined): string {
  if (!line) {
    return `Why is ${row.number} ${row.state.toLowerCase()}?`;
  }
  return line.account === ''
    ? `Why does line ${line.id} land nowhere?`
    : `Why does line ${line.id} land in ${line.account} ${line.accountName}?`;
}

function says(step: Step): string {
  const name = NAMES[step.step] ?? step.step;
  const subject = step.step === 'role' ? step.subject.toLowerCase().replaceAll('_', ' ') : step.subject;
  switch (step.verdict) {
    case 'answered':
      return step.step === 'line-override'
        ? `An override on this line says ${step.account}`
        : `${name} ${subject} says ${step.account}`;
    case 'not-asked':
      return `${name}: not asked`;
    default:
      if (step.step === 'line-override') {
        return 'No override on this line';
      }
      if (step.step === 'role') {
        return `The route names no account for the role ${subject}`;
      }
      return step.subject === ''
        ? `The line has no ${step.step}`
        : `${name} ${subject} has no account of its own`;
  }
}

/** Every rule that was asked, what it said, and who set it. */
export function WalkView({ line }: { line: WhyLine }) {
  return (
    <div>
      <p className="soft mb-1 text-[13px]">
        {line.description}, {line.quantity} {unit(line.unit)}, {amount(line.amount)}
      </p>
      <ol className="flex flex-col gap-1 text-[13px]">
        {line.walk.map((step) => (
          <li key={step.step} className="grid grid-cols-[18px_1fr]">
            <span aria-hidden="true">
              {step.verdict === 'answered' ? '●' : step.verdict === 'not-asked' ? '·' : '–'}
            </span>
            <span className={step.verdict === 'answered' ? 'font-semibold' : 'soft'}>
              {says(step)}
              {step.verdict === 'answered' && step.row && (
                <span className="soft block font-normal">
                  set by {step.row.setBy} on {moment(step.row.setAt)}, version {step.row.version}
                </span>
              )}
            </span>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** Codes of UNECE Recommendation 20 as people say them. */
const UNITS: Record<string, string> = { C62: 'pcs', HUR: 'h', KWH: 'kWh', MTQ: 'm³', MTR: 'm' };
const unit = (code: string) => UNITS[code] ?? code;
