import { createContext, useContext } from 'react';
import type { Schemas } from '../api/client';

export interface Current {
  me: Schemas['Me'];
  route: Schemas['RouteJson'];
  routes: Schemas['RouteJson'][];
  choose: (code: string) => void;
}

export const CurrentContext = createContext<Current | null>(null);

/** Who is signed in and which route is looked at. */
export function useCurrent(): Current {
  const current = useContext(CurrentContext);
  if (!current) {
    throw new Error('used outside of the shell');
  }
  return current;
}
