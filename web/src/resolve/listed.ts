import { moneys, plural } from '../ui/format';
import { wordsOf as lackingWords, type LackingCause } from './lacking';
import { oneOf, wordsOf as masterWords, type MasterCause } from './masters';
import type { HeldCause } from './queries';
import { titleOf, type Warning } from './warnings';
import { wordsOf, type Sides } from './words';

/** A cause, whatever it is about. */
export interface Listed {
  cause: string;
  title: string;
  says: string;
  glyph: string;
  state: string;
  count: number;
  days: number;
  money: number;
  about:
    | { kind: 'records'; cause: HeldCause }
    | { kind: 'masters'; cause: MasterCause }
    | { kind: 'lacking'; cause: LackingCause }
    | { kind: 'warning'; cause: Warning };
}

/** All causes: of what was sent, then of what is still to be; each the oldest and dearest first. */
export function listedOf(
  held: HeldCause[],
  masters: MasterCause[],
  lacking: LackingCause[],
  warnings: Warning[],
  sides: Sides,
): Listed[] {
  const sent = [
    ...held.map((each) => ofRecords(each, sides)),
    ...masters.map((each) => ofMasters(each, sides)),
    ...lacking.map((each) => ofLacking(each, sides)),
  ];
  return [...dearest(sent), ...dearest(warnings.map((each) => ofWarning(each, sides)))];
}

const dearest = (causes: Listed[]) => causes.sort((one, other) => weightOf(other) - weightOf(one));

/** How many there are to go through, one after the other. */
export const placesOf = ({ about }: Listed): number =>
  about.kind === 'records'
    ? about.cause.records.length
    : about.kind === 'masters' || about.kind === 'lacking'
      ? about.cause.masters.length
      : 1;

const weightOf = ({ days, money }: Listed) => days * Math.max(1, money);

function ofRecords(cause: HeldCause, sides: Sides): Listed {
  const words = wordsOf(cause, sides);
  return {
    cause: cause.cause,
    title: words.title,
    says: `${plural(cause.count, 'record')}, ${moneys(cause.sums)}, ${plural(cause.days, 'day')}`,
    glyph: words.state,
    state: words.state.toLowerCase(),
    count: cause.count,
    days: cause.days,
    money: moneyOf(cause),
    about: { kind: 'records', cause },
  };
}

function ofMasters(cause: MasterCause, sides: Sides): Listed {
  const words = masterWords(cause, sides);
  return {
    cause: cause.cause,
    title: words.title,
    says: `${plural(cause.count, oneOf(cause.kind))}, ${plural(cause.days, 'day')}`,
    glyph: 'Diverged',
    state: words.state,
    count: cause.count,
    days: cause.days,
    money: 0,
    about: { kind: 'masters', cause },
  };
}

function ofLacking(cause: LackingCause, sides: Sides): Listed {
  const { title, glyph, state } = lackingWords(cause, sides);
  return {
    cause: cause.cause,
    title,
    says: `${plural(cause.count, oneOf(cause.kind))}, ${plural(cause.days, 'day')}`,
    glyph,
    state,
    count: cause.count,
    days: cause.days,
    money: 0,
    about: { kind: 'lacking', cause },
  };
}

function ofWarning(cause: Warning, sides: Sides): Listed {
  const sums = cause.sums.length > 0 ? `, ${moneys(cause.sums)}` : '';
  return {
    cause: cause.cause,
    title: titleOf(cause, sides),
    says: `${cause.count > 0 ? `${plural(cause.count, 'record')}${sums}, ` : ''}${plural(cause.days, 'day')}`,
    glyph: 'Blocked',
    state: 'waits',
    count: cause.count,
    days: cause.days,
    money: moneyOf(cause),
    about: { kind: 'warning', cause },
  };
}

const moneyOf = ({ sums }: { sums: { amount: string }[] }) =>
  sums.reduce((sum, each) => sum + Math.abs(Number(each.amount)), 0);
