/** Nobody's logs say anything beyond it. */
const HALF_A_YEAR = 26;

/** A range of weeks in words, never beyond half a year; null is too little data. */
export function weeksText(weeks: { soonest: number; latest: number | null } | null): string {
  if (weeks === null) return 'too little data';
  const { soonest, latest } = weeks;
  if (soonest > HALF_A_YEAR) return 'more than half a year';
  if (latest === null || latest > HALF_A_YEAR) return `${soonest} weeks at the soonest, maybe more than half a year`;
  if (soonest === latest) return `about ${soonest} ${soonest === 1 ? 'week' : 'weeks'}`;
  return `${soonest} to ${latest} weeks`;
}
