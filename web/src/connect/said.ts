/** `ledger-connected` or `readsOnly` as it is said: `Ledger connected`, `Reads only`. */
export function said(name: string): string {
  const words = name
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replaceAll('-', ' ')
    .toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
}
