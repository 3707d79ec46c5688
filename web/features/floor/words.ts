export const sideNames = { left: 'Left', right: 'Right', both: 'Both sides', alternate: 'Sides in turn' } as const;

export const units = { reps: 'reps', s: 's', m: 'm' } as const;
