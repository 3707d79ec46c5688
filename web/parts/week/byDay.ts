import type { Schemas } from '../../api/client';

/** The sessions of a week in the order of their dates. */
export function byDay(sessions: readonly Schemas['WeekSession'][]): Schemas['WeekSession'][] {
  return [...sessions].sort((a, b) => (a.date ?? '').localeCompare(b.date ?? '') || a.number - b.number);
}
