/** A row of the crosswalk as it is said: `role receivables control`, `item RIG-0042`. */
export const rowOf = (kind: string, code: string) =>
  kind.toLowerCase() === 'role'
    ? `role ${code.toLowerCase().replaceAll('_', ' ')}`
    : `${kind.toLowerCase()} ${code}`;

/** A short code for addresses out of a name: `Harbour office` becomes `harbour-office`. */
export function codeFrom(name: string): string {
  const plain = name
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 30);
  return plain === '' ? 'route' : plain;
}
