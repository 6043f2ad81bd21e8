import type { Schemas } from '../api/client';
import { amount, day } from '../ui/format';

const NAMES: Record<string, string> = {
  number: 'Number',
  party: 'Party',
  'issue-date': 'Date',
  'due-date': 'Due',
  gross: 'Gross',
  tax: 'Tax',
  standing: 'Standing',
  means: 'Means',
  reference: 'Reference',
  note: 'Note',
  terms: 'Terms',
};

/** A field of both sides, as people call it; lines are counted. */
export const fieldName = (field: string) =>
  NAMES[field] ??
  field
    .replace(/^line (\d+)$/, 'Line $1')
    .replace(/^summed line (\d+)$/, 'Line $1, summed')
    .replace(/^field (.+)$/, 'Field $1');

/** How loud it is said. */
export const TONES: Record<Schemas['FieldChange']['becomes'], string> = {
  AGREED: 'soft',
  TRAVELS: '',
  DRIFT: 'text-accent',
  CONFLICT: 'text-accent font-semibold',
};

/** What is shown for what is not there. */
export const NOTHING = '–';

/** A value of a field as people read it: its codes stay as they are. */
export function valueSaid(field: string, value: string) {
  if (value === '') {
    return NOTHING;
  }
  if (field.endsWith('-date')) {
    return day(value);
  }
  // Kept without closing zeros.
  return field === 'gross' || field === 'tax' ? amount(value.replace(/(\.\d)$/, '$10')) : value;
}

/** `Due: 10 Jan 2027; Note: –`, of fields by what stands in them. */
export const fieldsSaid = (fields: Record<string, string>) =>
  Object.entries(fields)
    .map(([field, value]) => `${fieldName(field)}: ${valueSaid(field, value)}`)
    .join('; ');
