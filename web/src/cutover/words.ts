import { plural } from '../ui/format';
import type { CutOver, CutOverRow, Standing } from './queries';

type Differs = CutOverRow['differs'][number];

export const DIFFERS: Record<Differs, string> = {
  NUMBER: 'number',
  PARTY: 'party',
  GROSS: 'amount',
  DATE: 'date',
  OPEN: 'open',
};

/** In what the two are not the same; nothing where they are. */
export const differsOf = (row: CutOverRow) => row.differs.map((each) => DIFFERS[each]).join(', ');

export const STANDINGS: Record<Standing, { name: string; count: keyof CutOver['counts']; says: string }> = {
  DOUBTFUL: {
    name: 'Doubtful',
    count: 'doubtful',
    says: 'May be the same; somebody has to say so.',
  },
  ONLY_HERE: { name: 'Only here', count: 'onlyHere', says: 'Nothing there looks like it.' },
  ONLY_THERE: { name: 'Only there', count: 'onlyThere', says: 'Nothing here looks like it.' },
  CERTAIN: {
    name: 'Certain',
    count: 'certain',
    says: 'The same number, party and amount.',
  },
  LINKED: { name: 'Paired', count: 'linked', says: 'What settles them can cross.' },
};

export const ROLES: Record<string, string> = {
  RECEIVABLES_CONTROL: 'Receivables',
  PAYABLES_CONTROL: 'Payables',
  CUSTOMER_ADVANCES: 'Customer advances',
  SUPPLIER_ADVANCES: 'Supplier advances',
};

/** What makes up a difference, as it is said beside its amount. */
export const PARTS: Record<string, (count: number, source: string, ledger: string) => string> = {
  pairs: (count) => `${plural(count, 'document')} that both have, open for another amount`,
  'only-here': (count, source) => `${plural(count, 'document')} that only ${source} has`,
  'only-there': (count, _, ledger) => `${plural(count, 'document')} that only ${ledger} has`,
  'on-account': (_, source) => `money on account at ${source} that settles nothing yet`,
  beside: (_, __, ledger) => `booked on the account of ${ledger} beside its open documents`,
};

/** Who is chosen by hand: one of each side, of the same kind. */
export function chosenPair(rows: CutOverRow[]): { record: number; there: string } | undefined {
  const here = rows.find((row) => row.standing === 'ONLY_HERE');
  const there = rows.find((row) => row.standing === 'ONLY_THERE');
  return rows.length === 2 && here?.here?.record && there?.there && here.kind === there.kind
    ? { record: here.here.record, there: there.there.ref }
    : undefined;
}
