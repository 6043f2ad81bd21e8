import { isHearing, onTold } from '../news/heard';
import { ApiError, answer, client, refusalOf, type Outcome } from './client';

/** Work that goes on behind a request that asks an outside system; what it comes to has the shape of T. */
export interface Work<T> {
  id: number;
  state: string;
  done: number;
  of: number;
  result?: T;
  problem?: unknown;
}

const FIRST_PAUSE = 100;
const LONGEST_PAUSE = 1000;
const LONGEST_WHEN_TOLD = 5000;

/** Until one is told of the work, or the time is over. */
function pause(id: number, milliseconds: number): Promise<void> {
  return new Promise((resolve) => {
    const over = () => {
      clearTimeout(timer);
      end();
      resolve();
    };
    const timer = setTimeout(over, milliseconds);
    const end = onTold((told) => told.topic === 'WORK' && told.ids.includes(String(id)) && over());
  });
}

/** What work came to. */
export async function workDone<T>(call: Promise<Outcome<Work<T>>>): Promise<T> {
  return (await workEnded(call)).result;
}

/**
 * Follows work to its end, looking ever less often. A server that does not answer meanwhile is asked again: the work
 * goes on without us.
 *
 * @returns its number and what it came to, or throws an ApiError with what stood in its way
 */
export async function workEnded<T>(call: Promise<Outcome<Work<T>>>): Promise<{ id: number; result: T }> {
  let work: Work<T> = await answer(call);
  for (let wait = FIRST_PAUSE; work.state === 'running';) {
    await pause(work.id, wait);
    wait = Math.min(wait * 1.5, isHearing() ? LONGEST_WHEN_TOLD : LONGEST_PAUSE);
    work = (await look(work.id)) as Work<T>;
  }
  if (work.state !== 'done') {
    const problem = (work.problem ?? {}) as { status?: number };
    throw refusalOf(problem.status ?? 500, problem);
  }
  return { id: work.id, result: work.result as T };
}

async function look(id: number): Promise<Work<unknown>> {
  try {
    return await answer(client.GET('/api/work/{id}', { params: { path: { id } } }));
  } catch (error) {
    if (error instanceof ApiError && error.status !== 0 && error.status !== 503) {
      throw error;
    }
    return { id, state: 'running', done: 0, of: 0 };
  }
}
