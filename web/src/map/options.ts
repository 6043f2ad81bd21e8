import type { Schemas } from '../api/client';
import type { RowKind } from './useChangeRow';

/** One thing a row can point to. */
export interface Option {
  label: string;
  counterpart: string;
  account: string;
}

export const CREATE: Option = {
  label: 'New party, created on its first document',
  counterpart: '',
  account: '',
};

/** All there is to say of somebody who pays for another. */
export const PAYS: Option = { label: 'Yes, that is right', counterpart: '', account: '' };

const INCOME = new Set(['revenue', 'expense', 'liability']);
const MONEY = new Set(['bank', 'asset', 'liability']);
const BOUGHT = new Set(['cost', 'expense', 'stock', 'asset']);

/** @param bought whether the row is about a line of a bill */
export function optionsFor(kind: RowKind, choices: Schemas['Choices'], bought = false): Option[] {
  const accounts = choices.accounts.map((a) => ({
    label: `${a.code} ${a.name}`,
    counterpart: '',
    account: a.code,
    type: a.note,
  }));
  switch (kind) {
    case 'PARTY':
      return [
        CREATE,
        ...choices.parties.map((p) => ({ label: `${p.code} ${p.name}`, counterpart: p.code, account: '' })),
      ];
    case 'TAX':
      return choices.taxCodes.map((t) => ({
        label: `${t.code} ${t.name}`,
        counterpart: t.code,
        account: '',
      }));
    case 'ITEM':
      return [
        ...accounts.filter((a) => INCOME.has(a.type)),
        ...choices.items.map((i) => ({
          label: `Item ${i.code} ${i.name}, ${i.note}`,
          counterpart: i.code,
          account: i.note,
        })),
      ];
    case 'MEANS':
      return accounts.filter((a) => MONEY.has(a.type));
    case 'PAYER':
      return [PAYS];
    case 'ROLE':
      return accounts;
    case 'SUPPLIER':
      return accounts.filter((a) => BOUGHT.has(a.type));
    default:
      return accounts.filter((a) => (bought ? BOUGHT : INCOME).has(a.type));
  }
}

/** The option meant by what was typed: its whole label, or its code alone. */
export function pick(options: Option[], typed: string): Option | undefined {
  const text = typed.trim().toLowerCase();
  return (
    options.find((each) => each.label.toLowerCase() === text) ??
    options.find((each) => (each.counterpart || each.account).toLowerCase() === text)
  );
}

/** What a row says, as one of its options would. */
export function labelOf(options: Option[], counterpart: string, account: string): string {
  return (
    options.find(
      (each) => each.counterpart === counterpart && (counterpart !== '' || each.account === account),
    )?.label ?? [counterpart, account].filter((part) => part !== '').join(', ')
  );
}

/** What to look for on the ledger: code and name, without what a label says around them. */
export const asSought = (typed: string) =>
  typed
    .trim()
    .replace(/^item /i, '')
    .replace(/, \w+$/, '');
