import { useEffect } from 'react';
import { ApiError } from '../api/client';

const PAUSE = 2000;

/** Whether the server, or what it stands on, does not answer; that passes by itself. */
export const isOutOfReach = (error: Error) =>
  error instanceof ApiError && (error.status === 0 || error.status === 503);

/** The whole page while nothing can be shown; asks again by itself, and keeps the address. */
export function OutOfReach({ says, onAgain }: { says: string; onAgain: () => Promise<unknown> }) {
  useEffect(() => {
    const timer = setInterval(() => void onAgain(), PAUSE);
    return () => clearInterval(timer);
  }, [onAgain]);
  return (
    <main className="grid h-full place-items-center">
      <section role="alert" className="sheet w-[460px] p-7">
        <h1 className="title text-[22px]">The book cannot be opened just now</h1>
        <p className="mt-2">{says}</p>
        <p className="soft mt-2">This page opens by itself as soon as it can.</p>
      </section>
    </main>
  );
}
