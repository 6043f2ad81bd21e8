import type { Told } from './told';

/** What the browser hears now, for whatever is not a component. */
const listeners = new Set<(told: Told) => void>();
let hearing = false;

/** What a server that died did not come to tell is found by looking once in a while. */
const ONCE_IN_A_WHILE = 60_000;

/** How long to wait before one looks by oneself: long, as long as one is told. */
export const lookAgain = (milliseconds: number) =>
  hearing ? Math.max(milliseconds, ONCE_IN_A_WHILE) : milliseconds;
export const isHearing = () => hearing;
export const nowHearing = (now: boolean) => {
  hearing = now;
};

export const spread = (told: Told) => listeners.forEach((listener) => listener(told));

/** Returns how to end it. */
export function onTold(listener: (told: Told) => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
