import type { Schemas } from '../api/client';
import { amount, moment } from '../ui/format';
import type { Row } from './useRows';

export type WhyLine = Schemas['WhyLine'];
type Step = Schemas['WalkStepJson'];

const NAMES: Record<string, string> = {
  'line-override': 'Override on this line',
  item: 'Item',
  category: 'Category',
  project: 'Job',
  party: 'Party',
  site: 'Site',
  'line-kind': 'Kind of line',
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
  const subject =
    step.step === 'role' || step.step === 'line-kind'
      ? step.subject.toLowerCase().replaceAll('_', ' ')
      : step.subject;
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
      return step.subject === '' ? `No ${name.toLowerCase()}` : `${name} ${subject} says nothing`;
  }
}

/** Which rule gave it. */
const saysBriefly = (step: Step) =>
  step.step === 'line-override'
    ? 'by this line alone'
    : `by ${NAMES[step.step]?.toLowerCase()} ${step.subject}`;

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
      {line.dimensions
        .filter((each) => each.value !== '')
        .map((each) => (
          <p key={each.code} className="mt-1 text-[13px]">
            {each.name} {each.value}{' '}
            <span className="soft">
              {each.walk.filter((step) => step.verdict === 'answered').map(saysBriefly)}
            </span>
          </p>
        ))}
    </div>
  );
}

/** Codes of UNECE Recommendation 20 as people say them. */
const UNITS: Record<string, string> = { C62: 'pcs', HUR: 'h', KWH: 'kWh', MTQ: 'm³', MTR: 'm' };
const unit = (code: string) => UNITS[code] ?? code;
