export const sideNames = { left: 'Left', right: 'Right', both: 'Both sides', alternate: 'Sides in turn' } as const;
