import type { MapKind } from './queries';

/** The crosswalks, as they are called, with what stands on their two pages. */
export const KINDS: { kind: MapKind; name: string; left: string; right: string }[] = [
  { kind: 'item', name: 'Items', left: 'Item', right: 'Account or item' },
  { kind: 'category', name: 'Categories', left: 'Category', right: 'Account' },
  { kind: 'tax', name: 'Tax codes', left: 'Tax', right: 'Tax code' },
  { kind: 'party', name: 'Parties', left: 'Party', right: 'Party' },
  { kind: 'supplier', name: 'Suppliers', left: 'Bought from', right: 'Account' },
  { kind: 'project', name: 'Jobs', left: 'Project or job', right: 'Account of its income' },
  { kind: 'site', name: 'Sites', left: 'Site', right: 'What its lines are told apart by' },
  { kind: 'line_kind', name: 'Kinds of line', left: 'Kind', right: 'Account of its income' },
  { kind: 'means', name: 'Means of payment', left: 'Means', right: 'Account that the money moves on' },
  { kind: 'payer', name: 'Who pays for whom', left: 'Who', right: 'Whether that is right' },
  { kind: 'terms', name: 'Terms', left: 'Terms of payment', right: 'Terms' },
  { kind: 'field', name: 'Fields', left: 'Field', right: 'Field that its values go into' },
  { kind: 'choice', name: 'Choices', left: 'Field and choice', right: 'Choice' },
  { kind: 'role', name: 'Account roles', left: 'Role', right: 'Account' },
];
