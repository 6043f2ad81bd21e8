import type { Schemas } from '../api/client';

export type Step = Schemas['StepJson']['step'];
export type Kind = Schemas['AcceptSuggestions']['kind'];

interface Said {
  title: string;
  /** @param open how many things are still to do */
  says: (open: number) => string;
  administrator?: boolean;
}

const count = (open: number, noun: string) =>
  open > 0 ? `${open} ${noun}${open === 1 ? '' : 's'} still open.` : '';

/** The steps in words. */
export const STEPS: Record<Step, Said> = {
  LEDGER: {
    title: 'Connect the ledger',
    says: (open) =>
      open > 0
        ? 'It is connected; its accounts, tax codes, parties and items are being pulled.'
        : 'Its owner lets Alcabala in and you choose the company.',
    administrator: true,
  },
  SOURCE: { title: 'Connect a source', says: () => 'An app by its key, or files.', administrator: true },
  ROUTE: { title: 'Add the route', says: () => 'Which source crosses to which ledger.', administrator: true },
  DOCUMENTS: { title: 'Fetch', says: () => 'Documents, and the codes they use.' },
  ROLES: { title: 'Account roles', says: (open) => count(open, 'role') },
  TAXES: { title: 'Tax codes', says: (open) => count(open, 'tax code') },
  CATEGORIES: { title: 'Categories and items', says: (open) => count(open, 'code') },
  PARTIES: {
    title: 'Parties',
    says: (open) => (open > 0 ? `${open} may be on the ledger already: say whether they are.` : ''),
  },
  DRY_RUN: { title: 'Dry run', says: () => 'What would go wrong, before anything crosses.' },
  FIRST_BATCH: { title: 'First batch', says: () => 'Nothing is on the books before this.' },
};

/** The first step that is not done, since later ones stand on it. */
export const nextStep = (steps: Schemas['StepJson'][]) => steps.find((step) => !step.done);
