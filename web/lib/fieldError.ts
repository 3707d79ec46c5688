import { ApiError } from '../api/client';

/** What the server says of one field. */
export function fieldError(error: Error | null, path: string): string | undefined {
  return error instanceof ApiError ? error.problem.errors.find((each) => each.path === path)?.message : undefined;
}
