import createClient, { type Middleware } from 'openapi-fetch';
import { answeredBy } from './kept';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Problem = Schemas['Problem'];

/** What the server answered when it refused. */
export class ApiError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.errors[0]?.message ?? problem.title);
  }
}

/** Whether somebody else changed the same thing first. */
export function isConflict(error: Error | null): boolean {
  return error instanceof ApiError && error.problem.status === 409;
}

/** Whether no server answered: nothing is known to have been done. */
export function isUnreachable(error: Error | null): boolean {
  return error instanceof ApiError && error.problem.status === 0;
}

/** What the server asks for at a field before it goes on; null where it asks for nothing there. */
export function asks(error: Error | null, field: string): string | null {
  const found = error instanceof ApiError ? error.problem.errors.find((each) => each.path === `/${field}`) : undefined;
  return found?.message ?? null;
}

function cookie(name: string): string | undefined {
  const found = document.cookie.split('; ').find((pair) => pair.startsWith(`${name}=`));
  return found === undefined ? undefined : decodeURIComponent(found.slice(name.length + 1));
}

function withToken(request: Request): Request {
  const token = cookie('XSRF-TOKEN');
  if (token !== undefined) request.headers.set('X-XSRF-TOKEN', token);
  if (!request.headers.has('Accept')) request.headers.set('Accept', 'application/json');
  return request;
}

const afterWrites = new Set<() => void>();

/** Tells of every write that the server took. */
export function watchWrites(tell: () => void): void {
  afterWrites.add(tell);
}

const unsent = new Map<string, Request>();

/** Sends the forgery token; where it has run out with the session, fetches a new one and tries once more. */
const forgeryToken: Middleware = {
  onRequest({ id, request }) {
    withToken(request);
    unsent.set(id, request.clone());
    return request;
  },
  async onResponse({ id, request, response }) {
    answeredBy(response);
    if (request.method !== 'GET' && response.ok) for (const tell of afterWrites) tell();
    const again = unsent.get(id);
    unsent.delete(id);
    if (response.status !== 419 || again === undefined) return undefined;
    await fetch('/api/me');
    return fetch(withToken(again));
  },
  onError({ id }) {
    unsent.delete(id);
  },
};

export const api = createClient<paths>({ baseUrl: '/api' });
api.use(forgeryToken);

function unreachable(): ApiError {
  return new ApiError({
    type: 'about:blank',
    title: 'The server cannot be reached. Nothing was lost.',
    status: 0,
    errors: [],
  });
}

/** The data of an answer, or the problem thrown. */
export async function answer<T>(call: Promise<{ data?: T; error?: Problem; response: Response }>): Promise<T> {
  let result;
  try {
    result = await call;
  } catch {
    throw unreachable();
  }
  if (result.error !== undefined) throw new ApiError(result.error);
  return result.data as T;
}

/** How far a long piece of work came. */
export interface Progress {
  done: number;
  of: number;
}

const lines = 'application/x-ndjson';

/** What a call needs for its answer to come in pieces. */
export function inPieces(signal: AbortSignal) {
  return { headers: { Accept: lines }, parseAs: 'stream', signal } as const;
}

/** The data of an answer that comes in pieces, its progress told on the way, or the problem thrown. */
export async function answerInPieces<T>(
  call: Promise<{ data?: ReadableStream<Uint8Array> | null; error?: Problem; response: Response }>,
  onProgress: (progress: Progress) => void,
): Promise<T> {
  const reader = (await answer(call))?.getReader();
  const letters = new TextDecoder();
  let text = '';
  try {
    for (let piece = await reader?.read(); piece?.done === false; piece = await reader?.read()) {
      text += letters.decode(piece.value, { stream: true });
      const told = text.split('\n');
      text = told.pop() ?? '';
      for (const line of told) {
        const said = JSON.parse(line) as Progress | { status: number; body: unknown };
        if ('done' in said) onProgress(said);
        else if (said.status < 400) return said.body as T;
        else throw new ApiError(said.body as Problem);
      }
    }
  } catch (error) {
    if (error instanceof ApiError) throw error;
  }
  throw unreachable();
}
