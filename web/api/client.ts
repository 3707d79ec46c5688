import createClient, { type Middleware } from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Problem = Schemas['Problem'];

/** What the server answered when it refused. */
export class ApiError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.errors[0]?.message ?? problem.title);
  }
}

function cookie(name: string): string | undefined {
  const found = document.cookie.split('; ').find((pair) => pair.startsWith(`${name}=`));
  return found === undefined ? undefined : decodeURIComponent(found.slice(name.length + 1));
}

const forgeryToken: Middleware = {
  onRequest({ request }) {
    const token = cookie('XSRF-TOKEN');
    if (token !== undefined) request.headers.set('X-XSRF-TOKEN', token);
    request.headers.set('Accept', 'application/json');
    return request;
  },
};

export const api = createClient<paths>({ baseUrl: '/api' });
api.use(forgeryToken);

/** The data of an answer, or the problem thrown. */
export async function answer<T>(call: Promise<{ data?: T; error?: Problem; response: Response }>): Promise<T> {
  let result;
  try {
    result = await call;
  } catch {
    throw new ApiError({
      type: 'about:blank',
      title: 'The server cannot be reached. Nothing was lost.',
      status: 0,
      errors: [],
    });
  }
  if (result.error !== undefined) throw new ApiError(result.error);
  return result.data as T;
}
