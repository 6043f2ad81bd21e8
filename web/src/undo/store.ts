import { useSyncExternalStore } from 'react';
import { onTold } from '../news/heard';
import { after, recent, still, type Deed, type Undoing } from './deeds';

const STORE = 'alcabala-deeds';

/** Of whoever is signed in; they outlive a reload, and end with the day. */
let owner = '';
let deeds: Deed[] = [];
const watching = new Set<() => void>();

function set(next: Deed[]) {
  if (next.length !== deeds.length || next.some((each, index) => each !== deeds[index])) {
    deeds = next;
    localStorage.setItem(`${STORE}-${owner}`, JSON.stringify(next));
    watching.forEach((each) => each());
  }
}

function kept(of: string): Deed[] {
  try {
    const read = JSON.parse(localStorage.getItem(`${STORE}-${of}`) ?? '[]') as Deed[];
    return recent(read, Date.now());
  } catch {
    return [];
  }
}

/** Takes up what this person did. */
export function deedsOf(signIn: string, name: string): () => void {
  owner = signIn;
  deeds = kept(signIn);
  watching.forEach((each) => each());
  return onTold((told) => told.who !== name && set(still(deeds, told)));
}

export const did = (says: string, undoing: Undoing): Deed => {
  const at = new Date().toISOString();
  const deed = { id: `${at} ${Math.random()}`, at, says, undoing };
  set(after(deeds, deed));
  return deed;
};

export const done = (deed: Deed) => set(deeds.filter((each) => each.id !== deed.id));

const watch = (listener: () => void) => {
  watching.add(listener);
  return () => void watching.delete(listener);
};

export const useDeeds = () => useSyncExternalStore(watch, () => deeds);
