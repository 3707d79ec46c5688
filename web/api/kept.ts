/** Whether the newest answer came from the copies on this device, and from when it was. */
let since: string | null = null;
const listeners = new Set<() => void>();

export function answeredBy(response: Response) {
  const kept = response.headers.get('X-Kept-Since');
  const now = kept === null ? null : new Date(kept === '' ? 0 : kept).toISOString();
  if (now === since) return;
  since = now;
  for (const listener of listeners) listener();
}

export function watchKept(listener: () => void) {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
}

export function keptSince(): string | null {
  return since;
}
