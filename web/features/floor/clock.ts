/** Milliseconds as m:ss, the started second whole. */
export function clock(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000 - 1e-6));
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

export const sideNames = { left: 'Left', right: 'Right', both: 'Both sides', alternate: 'Sides in turn' } as const;

export const units = { reps: 'reps', s: 's', m: 'm' } as const;
