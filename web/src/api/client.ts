import { QueryClient } from '@tanstack/react-query';
import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];

/** A refusal of the server, with its sentence for the person who asked. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    sentence: string,
    readonly detail: string,
    /** What is wrong with single fields of the request, by their names. */
    readonly fields: Record<string, string> = {},
  ) {
    super(sentence);
  }
}

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: (count, error) => !(error instanceof ApiError && error.status < 500) && count < 2,
      refetchOnWindowFocus: true,
    },
  },
});

const cookie = (name: string) =>
  document.cookie
    .split('; ')
    .find((each) => each.startsWith(`${name}=`))
    ?.slice(name.length + 1);

export const client = createClient<paths>({ baseUrl: '' });

client.use({
  async onRequest({ request }) {
    if (request.method !== 'GET') {
      if (!cookie('XSRF-TOKEN')) {
        await fetch('/api/session/csrf');
      }
      request.headers.set('X-XSRF-TOKEN', cookie('XSRF-TOKEN') ?? '');
    }
    return request;
  },
});

export interface Outcome<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

const text = (value: unknown, otherwise: string) =>
  typeof value === 'string' && value !== '' ? value : otherwise;

export function refusalOf(status: number, body: unknown): ApiError {
  const said = (typeof body === 'object' && body !== null ? body : {}) as Record<string, unknown>;
  return new ApiError(
    status,
    text(said.code, `status-${status}`),
    text(said.sentence, 'The server could not do this. Nothing was changed; try again in a moment.'),
    text(said.detail, ''),
    (said.fields ?? {}) as Record<string, string>,
  );
}

/** The answer, or an ApiError. */
export async function answer<T>(call: Promise<Outcome<T>>): Promise<T> {
  let outcome: Outcome<T>;
  try {
    outcome = await call;
  } catch {
    throw new ApiError(
      0,
      'no-connection',
      'Alcabala does not answer. Check the connection and try again.',
      '',
    );
  }
  if (!outcome.response.ok) {
    throw refusalOf(outcome.response.status, outcome.error);
  }
  return outcome.data as T;
}

/** Posts files, which the generated client has no shape for. */
export async function sendFiles<T>(path: string, files: File[], asked?: object): Promise<Outcome<T>> {
  const form = new FormData();
  if (asked) {
    form.append('asked', new Blob([JSON.stringify(asked)], { type: 'application/json' }));
  }
  files.forEach((file) => form.append('file', file));
  const response = await fetch(path, {
    method: 'POST',
    body: form,
    headers: { 'X-XSRF-TOKEN': cookie('XSRF-TOKEN') ?? '' },
  });
  const body = (await response.json().catch(() => null)) as unknown;
  return response.ok ? { data: body as T, response } : { error: body, response };
}

export const postFiles = <T>(path: string, files: File[], asked?: object): Promise<T> =>
  answer(sendFiles<T>(path, files, asked));
