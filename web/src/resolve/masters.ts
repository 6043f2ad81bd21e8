import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import type { Sides } from './words';

export type MasterCause = Schemas['MasterCauseJson'];
export type MasterHeld = Schemas['MasterHeldJson'];
export type MasterValues = Schemas['MasterValuesJson'];
export type Answer = MasterHeld['offered'][number];

/** What is asked about parties and items that stand on both sides. */
export const mastersQuery = (route: string) =>
  queryOptions({
    queryKey: ['held', route, 'masters'],
    queryFn: () => answer(client.GET('/api/resolve/masters', { params: { query: { route } } })),
  });

const FIELDS: Record<string, string> = {
  name: 'Name',
  'tax-identifier': 'Tax identifier',
  'e-mail': 'E-mail',
  phone: 'Phone',
  'bill-to': 'Bill to',
  'ship-to': 'Ship to',
  terms: 'Terms',
  unit: 'Unit',
  kind: 'Kind of item',
  'in-use': 'In use',
};

export const fieldName = (field: string): string => FIELDS[field] ?? field;

/** As one of a kind is called. */
export const oneOf = (kind: MasterCause['kind']): string => (kind === 'ITEMS' ? 'item' : 'party');

/** Where one of a kind is linked. */
export const linksOf = (kind: MasterCause['kind']): string => (kind === 'ITEMS' ? 'item' : 'party');

export const isAddress = (field: string) => field === 'bill-to' || field === 'ship-to';

const BETWEEN = ' | ';

/** An address in its parts: street, city, postal zone, country. */
export const partsOf = (value: string): string[] =>
  Array.from({ length: 4 }, (_, place) => value.split('|')[place]?.trim() ?? '');

export const joined = (parts: string[]): string =>
  parts.every((part) => part.trim() === '') ? '' : parts.map((part) => part.trim()).join(BETWEEN);

const USES: Record<string, string> = {
  yes: 'in use',
  no: 'out of use',
  gone: 'not there any more',
};

/** A value as people read it. */
export const valueOf = (field: string, value: string): string => {
  if (field === 'in-use') {
    return USES[value] ?? value;
  }
  if (field === 'kind') {
    return value.toLowerCase().replace('_', ' ');
  }
  return isAddress(field)
    ? partsOf(value)
        .filter((part) => part !== '')
        .join(', ')
    : value;
};

/** A cause in words, and as one of it is called. */
export function wordsOf(cause: MasterCause, sides: Sides): { title: string; state: string } {
  if (cause.field === 'in-use') {
    const one = oneOf(cause.kind);
    return {
      title: `${one.charAt(0).toUpperCase()}${one.slice(1)} in use on one side alone`,
      state: 'drift',
    };
  }
  const field = cause.kind === 'ITEMS' && cause.field === 'name' ? 'Item’s name' : fieldName(cause.field);
  if (cause.conflict) {
    return { title: `${field} changed on both sides`, state: 'conflict' };
  }
  return {
    title:
      cause.sides.length > 1
        ? `${field} drifted on both sides`
        : `${field} changed in ${nameOf(cause, sides)} alone`,
    state: 'drift',
  };
}

const nameOf = (cause: MasterCause, sides: Sides) =>
  cause.sides[0] === 'SOURCE' ? sides.source : sides.ledger;

/** What an answer does, said before it is given. */
export function does(answer: Answer, cause: MasterCause, { source, ledger }: Sides): string {
  const by = cause.sides.length > 1 ? 'each' : nameOf(cause, { source, ledger, toFiles: false });
  const other = by === source ? ledger : source;
  switch (answer) {
    case 'SOURCE':
      return `goes to ${ledger}`;
    case 'LEDGER':
      return `goes to ${source}`;
    case 'AS_AGREED':
    case 'TYPED':
      return 'goes to both';
    case 'RESTORE':
      return `${by} gets again what both agreed on`;
    case 'ACCEPT':
      return `it is agreed, and goes to ${other} where that takes it`;
    case 'LEAVE':
      return 'both keep what they have, quiet until one changes again';
  }
}

/** The setting that says whose a field is. */
export const ownerSetting = ({ kind, field }: MasterCause): string =>
  `${kind}_OWNER_OF_${field.toUpperCase().replace('-', '_')}`;
