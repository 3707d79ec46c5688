/** Whole seconds as m:ss. */
export function clock(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

/** Milliseconds that are left as m:ss, a second that has begun being whole. */
export function countdown(ms: number): string {
  return clock(Math.ceil(ms / 1000 - 1e-6));
}

/** Told to every clock of the page where something is wrong. */
export const everyClockStands = 'every-clock-stands';
