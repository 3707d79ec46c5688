import type { Schemas } from '../../api/client';

export type PainKind = NonNullable<Schemas['LoggedSet']['pain_kind']>;

/** Pain by kind; all but the first two stop training at once. */
export const painKinds: readonly (readonly [PainKind, string])[] = [
  ['ordinary', 'ordinary effort'],
  ['familiar', 'familiar'],
  ['sharp', 'sharp'],
  ['spreading', 'spreading'],
  ['numb', 'numbness'],
  ['giving-way', 'giving way'],
];

/** Those that somebody may have without pain. */
export const painless: readonly PainKind[] = ['numb', 'giving-way'];
