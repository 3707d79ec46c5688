import type { Schemas } from '../../api/client';

export type Draft = Schemas['LadderDraft'];
export type Rung = Schemas['RungDraft'];

const restTillKnown = 30;

/** What the fields of a rung are called. */
export const fieldLabels = {
  name: 'Name of the exercise',
  level: 'Level',
  position: 'Position',
  steps: 'Doses, from start to top, one a line',
  side: 'Sides',
  role: 'Role',
  tempo: 'Tempo',
  rest_s: 'Rest',
  aliases: 'Other names',
  figure: 'Figure',
  faults: 'Faults',
  cues: 'Cues',
  requires: 'First done clean elsewhere',
  instead: 'Done clean first in its place',
  adds: 'What it asks more than the rung below',
  watch: 'Where to stand, and what to look at first',
  less_range: 'How the range is cut',
  setup: 'Set up, one line a step',
  stop: 'Stop at',
  felt_in: 'Felt in',
  not_in: 'Not felt in',
  muscles: 'Muscles',
  helpful: 'Helpful kit',
} as const;

/** Where an error of a ladder stands: the place of the rung, and what its field is called. */
export function errorPlace(path: string): { rung: number; field: string } | null {
  const [, rung, field] = /^\/ladder\/rungs\/(\d+)(?:\/([^/]+))?/.exec(path) ?? [];
  if (rung === undefined) return null;
  const label = (fieldLabels as Partial<Record<string, string>>)[field ?? ''];
  return { rung: Number(rung), field: label === undefined ? '' : `${label}: ` };
}

/** A rung to begin with: like its neighbour where there is one, with a name still to be given. */
export function newRung(like: Rung | undefined): Rung {
  if (like !== undefined) {
    const copy: Rung = { ...like, id: '', name: '', aliases: [] };
    delete copy.retired;
    return copy;
  }
  return {
    id: '',
    name: '',
    aliases: [],
    level: 3,
    position: 'standing',
    role: 'compound',
    also: [],
    side: 'both',
    steps: ['2 × 8', '2 × 10', '3 × 12'],
    tempo: '2-0-2-0',
    rest_s: restTillKnown,
    requires: [],
    faults: ['breath-held', 'jerks', 'tempo-lost'],
    stresses: {},
    equipment: [],
    helpful: [],
    adds: '',
    watch: '',
    setup: [''],
    cues: [
      { fault: 'breath-held', say: 'Breathe out on the effort.' },
      { fault: 'jerks', say: 'Slow enough to stop anywhere.' },
      { fault: 'tempo-lost', say: 'Count it.' },
    ],
    felt_in: [],
    not_in: ['low back'],
    muscles: [],
    less_range: '',
    stop: ['Pain that is not ordinary effort'],
    figure: { pose: 'standing' },
  };
}

export function newLadder(): Draft {
  return { name: '', category: 'AE', anchor: '', rungs: [newRung(undefined)] };
}

export function withRung(draft: Draft, index: number, rung: Rung): Draft {
  return { ...draft, rungs: draft.rungs.map((each, i) => (i === index ? rung : each)) };
}

/** Off the ladder, or back on it. */
export function retired(rung: Rung): Rung {
  return rung.retired === true ? without(without(rung, 'retired'), 'instead') : { ...rung, retired: true };
}

/** A new rung after the one at this place. */
export function added(draft: Draft, after: number): Draft {
  const rungs = [...draft.rungs];
  rungs.splice(after + 1, 0, newRung(draft.rungs[after]));
  return { ...draft, rungs };
}

export function moved(draft: Draft, from: number, to: number): Draft {
  const rungs = [...draft.rungs];
  const [rung] = rungs.splice(from, 1);
  if (rung !== undefined) rungs.splice(to, 0, rung);
  return { ...draft, rungs };
}

/** An object without one of its fields. */
export function without<T extends object, K extends keyof T>(object: T, key: K): Omit<T, K> {
  return Object.fromEntries(Object.entries(object).filter(([name]) => name !== key)) as Omit<T, K>;
}

/** Lines of a text, without empty ones. */
export function lines(text: string): string[] {
  return text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
}
