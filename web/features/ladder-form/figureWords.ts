/** What a trainer calls the parts of a figure. */
const parts: Record<string, string> = {
  pitch: 'whole body leans',
  roll: 'whole body tilts',
  turn: 'whole body turns',
  spine: 'back bends',
  'spine-side': 'back bends to the side',
  'spine-twist': 'chest turns',
  neck: 'head nods',
  'neck-side': 'head tilts',
  hip: 'thigh lifts',
  'hip-out': 'thigh goes out',
  'hip-turn': 'thigh turns',
  knee: 'knee bends',
  ankle: 'foot points',
  shoulder: 'arm lifts',
  'shoulder-out': 'arm goes out',
  'shoulder-turn': 'arm turns',
  elbow: 'elbow bends',
};

const sides: Record<string, string> = { '-r': 'right ', '-l': 'left ' };

/** An angle in words; without a side it is for both. */
export function angleWords(name: string): string {
  const side = sides[name.slice(-2)];
  return side === undefined ? (parts[name] ?? name) : `${side}${parts[name.slice(0, -2)] ?? name}`;
}

const joints: Record<string, string> = { ankle: 'foot', toe: 'toes', neck: 'chest', pelvis: 'hips' };

/** A joint in words. */
export function jointWords(joint: string): string {
  const side = sides[joint.slice(-2)];
  const bare = side === undefined ? joint : joint.slice(0, -2);
  return `${side ?? ''}${joints[bare] ?? bare}`;
}

const kit: Record<string, string> = {
  box: 'bench',
  weight: 'kettlebell',
  'throw-ball': 'throwing ball',
  cuff: 'ankle weight',
  rig: 'bar to hang from',
  strap: 'suspension strap',
};

export function kitWords(kind: string): string {
  return kit[kind] ?? kind;
}
