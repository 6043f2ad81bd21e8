import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import type { Sides } from './words';

export type PartyCause = Schemas['PartyCauseJson'];
export type PartyHeld = Schemas['PartyHeldJson'];
export type PartyValues = Schemas['PartyValuesJson'];
export type PartyField = PartyValues['field'];
export type Answer = PartyHeld['offered'][number];

/** What is asked about parties that stand on both sides. */
export const partiesQuery = (route: string) =>
  queryOptions({
    queryKey: ['held', route, 'parties'],
    queryFn: () => answer(client.GET('/api/resolve/parties', { params: { query: { route } } })),
  });

export const FIELDS: Record<PartyField, string> = {
  NAME: 'Name',
  TAX_IDENTIFIER: 'Tax identifier',
  E_MAIL: 'E-mail',
  PHONE: 'Phone',
  BILL_TO: 'Bill to',
  SHIP_TO: 'Ship to',
};

export const isAddress = (field: PartyField) => field === 'BILL_TO' || field === 'SHIP_TO';

const BETWEEN = ' | ';

/** An address in its parts: street, city, postal zone, country. */
export const partsOf = (value: string): string[] =>
  Array.from({ length: 4 }, (_, place) => value.split('|')[place]?.trim() ?? '');

export const joined = (parts: string[]): string =>
  parts.every((part) => part.trim() === '') ? '' : parts.map((part) => part.trim()).join(BETWEEN);

/** A value as people read it. */
export const valueOf = (field: PartyField, value: string): string =>
  isAddress(field)
    ? partsOf(value)
        .filter((part) => part !== '')
        .join(', ')
    : value;

/** A cause in words, and as one of it is called. */
export function wordsOf(cause: PartyCause, sides: Sides): { title: string; state: string } {
  const field = FIELDS[cause.field];
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

const nameOf = (cause: PartyCause, sides: Sides) =>
  cause.sides[0] === 'SOURCE' ? sides.source : sides.ledger;

/** What an answer does, said before it is given. */
export function does(answer: Answer, cause: PartyCause, { source, ledger }: Sides): string {
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
export const ownerSetting = (field: PartyField): string => `PARTIES_OWNER_OF_${field}`;
