import type { Schemas } from '../api/client';

export type SettingJson = Schemas['SettingJson'];

export const SECTIONS: { section: SettingJson['section']; name: string }[] = [
  { section: 'TAX', name: 'Tax' },
  { section: 'MONEY', name: 'Bank accounts' },
  { section: 'NUMBERS', name: 'Numbers' },
  { section: 'DOCUMENT', name: 'The document on the ledger' },
];

/** What a setting says now; an empty one says what that means. */
export function valueOf(setting: SettingJson): string {
  if (setting.value !== '') {
    return setting.says;
  }
  switch (setting.shape) {
    case 'day':
      return 'all of them';
    case 'count':
      return setting.setting === 'PAYMENT_DIFFERENCE' ? 'none' : 'after its highest';
    case 'prefix':
      return 'nothing';
    default:
      return 'not set';
  }
}

/** What of the one side is not the same on the other, by place. */
export function changedRows<T>(here: T[], there: T[]): boolean[] {
  return here.map((row, place) => JSON.stringify(row) !== JSON.stringify(there[place]));
}
