import type { Schemas } from '../api/client';

/** Where that which a sentence names is looked after; empty where it is nowhere. */
export function leadsTo(part: Schemas['Part'], route: string): string {
  const code = encodeURIComponent(part.code);
  const there = `route=${encodeURIComponent(route)}`;
  switch (part.place) {
    case 'RECORD':
      return `/release?${there}&state=All&text=${code}`;
    case 'REFERENCE':
      return `/connect?view=reference&${there}&kind=${part.kind}&text=${code}`;
    case 'CROSSWALK':
      return `/map?${there}&kind=${part.kind.toLowerCase()}&row=${code}&text=${code}`;
    case 'NOWHERE':
      return '';
  }
}
