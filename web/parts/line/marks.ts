import type { Schemas } from '../../api/client';
import type { Found, NotFound, Place } from './find';

/** From where a picture is taken. */
export type View = 'side' | 'behind';

/** What is marked, in the order in which it is tapped. */
export const marked = {
  side: ['ear', 'shoulder', 'hip', 'knee', 'ankle'],
  behind: ['left', 'right'],
} as const satisfies Record<View, readonly string[]>;

export const pointNames: Record<string, string> = {
  ear: 'Ear',
  shoulder: 'Shoulder',
  hip: 'Hip',
  knee: 'Knee',
  ankle: 'Ankle',
  left: 'Left hip',
  right: 'Right hip',
  'known-from': 'One end of the known length',
  'known-to': 'Other end of the known length',
  from: 'Place it started from',
  to: 'Place it came to',
};

export const wanted = { side: 5, behind: 2 } as const;

/** Why no stickers were found, and what to do. */
const whys: Record<NotFound['why'], (view: View, spots: number) => string> = {
  nothing: () => 'No stickers of one bright colour were found.',
  'too-few': (view, spots) => `Only ${spots} of ${wanted[view]} stickers can be seen.`,
  'too-many': (view) =>
    `More than ${wanted[view]} spots of one colour: is somebody else in the picture, or something of the stickers’ colour?`,
  'colour-everywhere': () => 'A wall or clothing has the stickers’ colour, so that they cannot be told from it.',
  'no-body': () => 'The spots do not lie like one body: a sticker is hidden, or somebody else is in the picture.',
};

export function whyNot(found: Found, view: View): string | null {
  return found.why === null ? null : whys[found.why](view, found.spots);
}

/** The marks of a picture as the server takes them. */
export function lineOf(rung: string, view: View, places: readonly Place[]): Schemas['LineRequest']['line'] {
  return { format: 'even-rungs/line', version: 1, rung, ...marksOf(view, places) };
}

export function marksOf(view: View, places: readonly Place[]): Schemas['KeptLine']['marks'] {
  const at = (i: number): [number, number] => {
    const [x, y] = places[i] ?? [0, 0];
    return [x, y];
  };
  return view === 'behind'
    ? { level: [at(0), at(1)] }
    : { points: Object.fromEntries(marked.side.map((name, i) => [name, at(i)])) };
}

/** The places of marks that were kept, in order. */
export function placesOf({ points, level }: Schemas['KeptLine']['marks']): Place[] {
  const of = (at: readonly number[]): Place => [at[0] ?? 0, at[1] ?? 0];
  if (points === undefined) return (level ?? []).map(of);
  return marked.side.flatMap((name) => {
    const at = points[name];
    return at === undefined ? [] : [of(at)];
  });
}

/** Where points lie before anybody moved them: a straight body across the picture. */
export function placedAnyhow(view: View, width: number, height: number): Place[] {
  const shares = view === 'side' ? [0.15, 0.25, 0.45, 0.65, 0.85] : [0.4, 0.6];
  return shares.map((share) => [Math.round(width * share), Math.round(height / 2)] as const);
}
