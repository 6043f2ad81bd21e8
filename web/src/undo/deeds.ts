import type { Schemas } from '../api/client';
import type { Told } from '../news/told';

/** How something is taken back. What it was seen as goes along, so that nothing else is undone by it. */
export type Undoing =
  /** With the draft that was made with it, if there was one. */
  | { what: 'row'; change: Schemas['ChangeRow']; correction?: number | undefined }
  | { what: 'rows'; rows: Schemas['TakeAway'] }
  /** Many rows that were changed together, by the number of that change. */
  | { what: 'bulk'; id: number }
  /** A record that was left alone. */
  | { what: 'alone'; id: number; number: string }
  /** Documents that were entered on the ledger. */
  | { what: 'entered'; said: Schemas['EnteredSaid'] }
  | { what: 'party'; party: Schemas['HideParty'] }
  | { what: 'setting'; setting: Schemas['DecideSettings'] }
  | {
      what: 'hidden';
      ledger: number;
      kind: 'ACCOUNT' | 'TAX_CODE' | 'PARTY' | 'ITEM' | 'DIMENSION' | 'RATE' | 'TERM' | 'FIELD';
      code: string;
      hidden: boolean;
    };

/** Something that one did, and can take back. */
export interface Deed {
  id: string;
  /** When, as an ISO moment. */
  at: string;
  says: string;
  undoing: Undoing;
}

const KEPT = 20;
const DAY = 24 * 60 * 60 * 1000;

/** The newest first; what is older than a day is let be. */
export const recent = (deeds: Deed[], now: number): Deed[] =>
  deeds.filter((each) => now - Date.parse(each.at) < DAY).slice(0, KEPT);

export const after = (deeds: Deed[], deed: Deed): Deed[] => recent([deed, ...deeds], Date.parse(deed.at));

/** Rows that a deed changed, as news name them. */
function rowsOf({ undoing }: Deed): string[] {
  switch (undoing.what) {
    case 'row':
      return [`${undoing.change.kind}/${undoing.change.code}`];
    case 'rows':
      return Object.keys(undoing.rows.rows).map((code) => `${undoing.rows.kind}/${code}`);
    default:
      return [];
  }
}

const routeOf = ({ undoing }: Deed) =>
  undoing.what === 'row' ? undoing.change.route : undoing.what === 'rows' ? undoing.rows.route : undefined;

/** Those that can still be taken back after somebody else has changed something. */
export const still = (deeds: Deed[], told: Told): Deed[] =>
  told.topic === 'CROSSWALK'
    ? deeds.filter(
        (deed) => told.route !== routeOf(deed) || !rowsOf(deed).some((row) => told.ids.includes(row)),
      )
    : deeds;
