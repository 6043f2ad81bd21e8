import type { Schemas } from '../api/client';
import type { Option } from './options';
import type { RowKind } from './useChangeRow';

export type Meaning = Schemas['Meaning'];
type Choices = Schemas['Choices'];
type Purpose = Choices['purposes'][string][number];

export const NOTHING: Meaning = { targets: {}, dimensions: {} };

/** What a purpose is called where a row says something for it. */
const WORDS: Partial<Record<Purpose, string>> = {
  INCOME: 'Income',
  EXPENSE: 'What is bought',
  DISCOUNT: 'Discounts',
  SHIPPING: 'Carriage',
  ADVANCE: 'Advances',
};

const TYPES: Partial<Record<Purpose, Set<string>>> = {
  INCOME: new Set(['revenue', 'expense', 'liability']),
  EXPENSE: new Set(['cost', 'expense', 'stock', 'asset']),
  DISCOUNT: new Set(['revenue', 'expense', 'cost', 'stock', 'asset']),
  SHIPPING: new Set(['revenue', 'expense', 'cost']),
  ADVANCE: new Set(['liability', 'asset']),
};

/** Something that a row can say beside what it is mostly made for. */
export interface Further {
  key: string;
  purpose: Purpose;
  /** The ledger's code, of a dimension. */
  dimension: string;
  label: string;
  options: Option[];
}

/** The purpose that the one account of most rows of a kind is for; none where rows are not made for accounts. */
function accountPurpose(kind: RowKind, choices: Choices): Purpose | undefined {
  const purposes = choices.purposes[kind] ?? [];
  return kind === 'PARTY' || kind === 'SITE'
    ? undefined
    : (['ACCOUNT', 'INCOME', 'EXPENSE'] as const).find((each) => purposes.includes(each));
}

const hasCounterpart = (kind: RowKind, choices: Choices) =>
  (choices.purposes[kind] ?? []).includes('COUNTERPART');

/** Whether rows of a kind have one thing that they are mostly made for. */
export const hasMain = (kind: RowKind, choices: Choices) =>
  hasCounterpart(kind, choices) || accountPurpose(kind, choices) !== undefined;

/** All that a row of a kind can say beside that. */
export function furtherOf(kind: RowKind, choices: Choices): Further[] {
  const main = accountPurpose(kind, choices);
  const purposes = (choices.purposes[kind] ?? []).filter(
    (each) => each !== main && each !== 'COUNTERPART' && each !== 'DIMENSION',
  );
  const accounts = choices.accounts.map((a) => ({
    label: `${a.code} ${a.name}`,
    counterpart: '',
    account: a.code,
  }));
  const types = new Map(choices.accounts.map((a) => [a.code, a.note]));
  const dimensions = (choices.purposes[kind] ?? []).includes('DIMENSION') ? choices.dimensions : [];
  return [
    ...purposes.map((purpose) => ({
      key: purpose,
      purpose,
      dimension: '',
      label: WORDS[purpose] ?? purpose.toLowerCase(),
      options: accounts.filter((a) => TYPES[purpose]?.has(types.get(a.account) ?? '')),
    })),
    ...dimensions.map((each) => ({
      key: `DIMENSION ${each.code}`,
      purpose: 'DIMENSION' as const,
      dimension: each.code,
      label: each.name,
      options: each.values.map((value) => ({
        label: `${value.code} ${value.name}`,
        counterpart: '',
        account: value.code,
      })),
    })),
  ];
}

/** What a row says of one further thing, or empty. */
export const targetOf = (meaning: Meaning | undefined, further: Further): string =>
  (further.purpose === 'DIMENSION'
    ? meaning?.dimensions[further.dimension]
    : meaning?.targets[further.purpose]) ?? '';

/** What a row says first: what stands for it, and its account. Undefined when it says neither. */
export function mainOf(kind: RowKind, meaning: Meaning | undefined, choices: Choices): Option | undefined {
  const purpose = accountPurpose(kind, choices);
  const counterpart = meaning?.targets.COUNTERPART;
  const account = purpose ? meaning?.targets[purpose] : undefined;
  return counterpart === undefined && account === undefined
    ? undefined
    : { label: '', counterpart: counterpart ?? '', account: account ?? '' };
}

/** @param main what was chosen for what the kind is mostly made for; undefined to say nothing of it */
export function meaningOf(
  kind: RowKind,
  choices: Choices,
  main: { counterpart: string; account: string } | undefined,
  further: { further: Further; target: string }[] = [],
): Meaning {
  const targets: Record<string, string> = {};
  const dimensions: Record<string, string> = {};
  const purpose = accountPurpose(kind, choices);
  if (main && hasCounterpart(kind, choices)) {
    targets.COUNTERPART = main.counterpart;
  }
  if (main?.account && purpose) {
    targets[purpose] = main.account;
  }
  further.forEach(({ further: at, target }) => {
    if (target !== '') {
      if (at.purpose === 'DIMENSION') {
        dimensions[at.dimension] = target;
      } else {
        targets[at.purpose] = target;
      }
    }
  });
  return { targets, dimensions };
}

/** `what is bought 5100, department RIG`: what a row says beside what it is mostly made for. */
export const furtherSaid = (kind: RowKind, meaning: Meaning | undefined, choices: Choices): string =>
  furtherOf(kind, choices)
    .map((further) => ({ label: further.label.toLowerCase(), target: targetOf(meaning, further) }))
    .filter((each) => each.target !== '')
    .map((each) => `${each.label} ${each.target}`)
    .join(', ');

/** Everything a row points to, as its history tells it. */
export const allSaid = (meaning: Meaning): string =>
  [...Object.values(meaning.targets), ...Object.values(meaning.dimensions)]
    .filter((each) => each !== '')
    .join(', ');
