import type { Schemas } from '../api/client';
import type { SettingJson } from '../settings/values';

export type CrossingRow = Schemas['CrossingRow'];

/** What one proposes for settings, by their names. */
export type Changes = Record<string, string>;

export const GROUPS = [
  { name: 'Masters', of: ['PARTIES', 'ITEMS'] },
  { name: 'Sales', of: ['INVOICES', 'CREDIT_NOTES', 'PAYMENTS'] },
  { name: 'Purchases', of: ['BILLS', 'SUPPLIER_CREDITS', 'PAYMENTS_OUT'] },
];

/** Where the records of a kind are listed. */
const LISTS: Record<string, string> = {
  INVOICES: 'invoices',
  CREDIT_NOTES: 'credit-notes',
  BILLS: 'bills',
  SUPPLIER_CREDITS: 'supplier-credits',
  PAYMENTS: 'payments-in',
  PAYMENTS_OUT: 'payments-out',
};

export const listOf = (of: string, route: string): string => {
  const list = LISTS[of];
  return list === undefined
    ? `/map?route=${route}&kind=${of === 'ITEMS' ? 'item' : 'party'}`
    : `/release?route=${route}&state=All&what=${list}`;
};

/** What masters are decided by, which concerns all kinds. */
const OF_MASTERS: Record<string, string[]> = { PARTIES: ['CUSTOMERS', 'NEW_PARTIES'], ITEMS: ['LINE_KIND'] };

/** The settings of one row: the four of its way, whose its fields are, and what shapes it. */
export interface RowSettings {
  direction: SettingJson | undefined;
  trigger: SettingJson | undefined;
  winner: SettingJson | undefined;
  from: SettingJson | undefined;
  owners: SettingJson[];
  shape: SettingJson[];
}

/** All of them, in the order in which they are decided. */
export const allOf = ({ direction, trigger, winner, from, owners, shape }: RowSettings): SettingJson[] =>
  [direction, trigger, winner, from, ...owners, ...shape].filter((each) => each !== undefined);

export const isMaster = (of: string): boolean => OF_MASTERS[of] !== undefined;

/** What one proposes about the fields of masters themselves, and what concerns records. */
export const aboutFields = (changes: Changes, of: string): Changes =>
  Object.fromEntries(Object.entries(changes).filter(([name]) => isOf(name, of)));
export const aboutRecords = (changes: Changes): Changes =>
  Object.fromEntries(
    Object.entries(changes).filter(([name]) => !Object.keys(OF_MASTERS).some((of) => isOf(name, of))),
  );

const isOf = (setting: string, of: string) => setting === of || setting.startsWith(`${of}_`);

const ownersOf = (of: string, all: SettingJson[]) =>
  all.filter((each) => each.setting.startsWith(`${of}_OWNER_OF_`));

export function settingsOf(of: string, all: SettingJson[]): RowSettings {
  const named = (name: string) => all.find((each) => each.setting === name);
  const masters = OF_MASTERS[of];
  if (masters) {
    return {
      direction: named(of),
      trigger: undefined,
      winner: named(`${of}_WINNER`),
      from: undefined,
      owners: ownersOf(of, all),
      shape: all.filter((each) => masters.includes(each.setting) || each.setting === `${of}_SOURCE_LACKS`),
    };
  }
  return {
    direction: named(of),
    trigger: named(`${of}_TRIGGER`),
    winner: named(`${of}_WINNER`),
    from: named(`${of}_CUT_OFF`),
    owners: ownersOf(of, all),
    shape: all.filter((each) => each.of === of && (each.section === 'DOCUMENT' || each.section === 'TAX')),
  };
}

/** Whether the table decides it, so that the list of settings need not. */
export const isOfTable = (setting: SettingJson) =>
  setting.section === 'CROSSING' ||
  (setting.of !== 'EVERYTHING' && (setting.section === 'DOCUMENT' || setting.section === 'TAX'));

/** The row that a setting is decided on. */
export const rowOf = (setting: string): string => {
  const master = Object.entries(OF_MASTERS).find(
    ([of, names]) => names.includes(setting) || isOf(setting, of),
  );
  return (
    master?.[0] ??
    Object.keys(LISTS)
      .sort((one, other) => other.length - one.length)
      .find((of) => setting === of || setting.startsWith(`${of}_`)) ??
    'INVOICES'
  );
};

/** As the address holds them. */
export const written = (changes: Changes): string =>
  Object.entries(changes)
    .map(([name, value]) => `${name} ${value}`)
    .join(';');

export const read = (text: string): Changes =>
  Object.fromEntries(
    text
      .split(';')
      .filter((each) => each !== '')
      .map((each) => {
        const space = each.indexOf(' ');
        return space < 0 ? [each, ''] : [each.slice(0, space), each.slice(space + 1)];
      }),
  );

/** With another value for a setting; what is as it was decided is no change. */
export function changed(changes: Changes, setting: SettingJson, value: string): Changes {
  const others = Object.entries(changes).filter(([name]) => name !== setting.setting);
  return Object.fromEntries(value === setting.value ? others : [...others, [setting.setting, value]]);
}

/** What would hold of a setting. */
export const valueOf = (setting: SettingJson | undefined, changes: Changes): string =>
  setting === undefined ? '' : (changes[setting.setting] ?? setting.value);

/** How many fields of a kind somebody owns, whoever wins otherwise. */
export const ownedOf = ({ owners }: RowSettings, changes: Changes): number =>
  owners.filter((each) => valueOf(each, changes) !== 'nobody').length;

export const saysOf = (setting: SettingJson | undefined, changes: Changes): string => {
  const value = valueOf(setting, changes);
  return setting?.choices.find((choice) => choice.value === value)?.says ?? value;
};

/** In a word or two what makes one leave that goes to the ledger. */
const MOMENTS: Record<string, string> = {
  batch: 'held for a batch',
  'by-hand': 'chosen one by one',
  approved: 'once approved',
  finished: 'once finished',
  sent: 'once sent',
  paid: 'once paid',
};

export const comesBack = (direction: string) => direction === 'from-ledger' || direction === 'both';

/** What makes one leave, said for the way that it goes. */
export function leaves(direction: string, trigger: string, ledger: string): string {
  switch (direction) {
    case 'none':
      return '–';
    case 'from-ledger':
      return `entered in ${ledger}`;
    case 'both':
      return 'entered on either side';
    default:
      return MOMENTS[trigger] ?? trigger;
  }
}

/** When a master leaves. */
export const whenNeeded = (all: SettingJson[], changes: Changes, of: string): string =>
  of === 'PARTIES' &&
  valueOf(
    all.find((each) => each.setting === 'NEW_PARTIES'),
    changes,
  ) === 'ask'
    ? 'once asked about'
    : 'when first needed';

/** The way of a master: it is there from when it is first needed, and its changes may go further. */
export const wayOfMaster = (changes: string): string =>
  changes === 'from-ledger' || changes === 'both' ? 'both' : 'to-ledger';

/** How the line of a way is marked. */
export type Mark = 'at once' | 'held' | 'when first needed' | '';

export const markOf = (trigger: string): Mark =>
  trigger === 'batch' || trigger === 'by-hand' ? 'held' : 'at once';
