/** Words for the codes of the open formats. */
export const dayNames: Record<string, string> = {
  mon: 'Monday',
  tue: 'Tuesday',
  wed: 'Wednesday',
  thu: 'Thursday',
  fri: 'Friday',
  sat: 'Saturday',
  sun: 'Sunday',
};

export const kindNames: Record<string, string> = {
  standalone: 'Core session',
  'after-lift': 'After lifting',
  'after-sport': 'After sport',
  'before-lift': 'Before lifting',
  activation: 'Switch-on before lifting',
};

export const trainingNames: Record<string, string> = {
  'heavy-lift': 'heavy lifting',
  'light-lift': 'light lifting',
  endurance: 'endurance',
  'skill-sport': 'sport',
  rest: 'rest',
};

export const urgencyNames: Record<string, string> = {
  emergency: 'Emergency, now',
  prompt: 'See a clinician before any training',
  'before-load': 'Clearance needed before loading',
};

export const roleNames: Record<string, string> = {
  brace: 'Bracing',
  compound: 'Compound',
  isolation: 'Isolation',
};

/** A rung's name without the ladder it stands on. */
export function shortName(rung: string, ladder: string): string {
  const prefix = `${ladder}, `;
  if (!rung.toLowerCase().startsWith(prefix.toLowerCase())) return rung;
  const rest = rung.slice(prefix.length);
  return rest.charAt(0).toUpperCase() + rest.slice(1);
}

export const positionNames: Record<string, string> = {
  back: 'On the back',
  side: 'On the side',
  front: 'Face down',
  'all-fours': 'All fours',
  kneeling: 'Kneeling',
  seated: 'Seated',
  standing: 'Standing',
  hanging: 'Hanging',
};

/** Sessions beside how many are meant: `1 of 2 sessions` where they are short, `4 sessions (2 asked)` where they are more. */
export function sessionsOutOf(done: number, meant: number): string {
  if (done < meant) return `${done} of ${meant} sessions`;
  const counted = done === 1 ? '1 session' : `${done} sessions`;
  return done > meant ? `${counted} (${meant} asked)` : counted;
}
