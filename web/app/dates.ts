/** A day as it is read here; days are stored as ISO dates. */
export function longDate(iso: string): string {
  return new Date(`${iso}T12:00:00`).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' });
}

/** Today where the reader is, as an ISO date. */
export function today(): string {
  return new Date().toLocaleDateString('sv');
}
