import { createContext, useContext } from 'react';
import type { Schemas } from '../api/client';

export interface Session {
  me: Schemas['Me'];
  /** Missing as long as nothing is connected. */
  route: Schemas['RouteJson'] | undefined;
  routes: Schemas['RouteJson'][];
  choose: (code: string) => void;
}

export type Current = Session & { route: Schemas['RouteJson'] };

export const CurrentContext = createContext<Session | null>(null);

/** Who is signed in, and which route is looked at if there is one. */
export function useSession(): Session {
  const session = useContext(CurrentContext);
  if (!session) {
    throw new Error('used outside of the shell');
  }
  return session;
}

/** Who is signed in and which route is looked at. */
export function useCurrent(): Current {
  const { route, ...session } = useSession();
  if (!route) {
    throw new Error('used before there is a route');
  }
  return { ...session, route };
}
