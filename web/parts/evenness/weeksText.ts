/** A range of weeks in words; null is too little data, no latest is beyond two years. */
export function weeksText(weeks: { soonest: number; latest: number | null } | null): string {
  if (weeks === null) return 'too little data';
  if (weeks.latest === null) return `${weeks.soonest} weeks at the soonest, maybe not in two years`;
  if (weeks.soonest === weeks.latest) return `about ${weeks.soonest} ${weeks.soonest === 1 ? 'week' : 'weeks'}`;
  return `${weeks.soonest} to ${weeks.latest} weeks`;
}
