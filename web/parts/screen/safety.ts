import type { Schemas } from '../../api/client';
import type { limitOf } from '../client/document';

type Flags = Schemas['LibraryAnswer']['flags'];
export type Flag = Schemas['ScreenRequest']['flags'][number];
export type Limit = ReturnType<typeof limitOf>;

/** The lists that one tap beneath answers; emergency signs are answered one by one. */
export const lists = ['prompt', 'soreness', 'medical'] as const;
export type SafetyList = (typeof lists)[number];

/** What was answered of the screen so far. What is in neither was not asked. */
export interface Safety {
  flags: readonly Flag[];
  limits: readonly Limit[];
  /** emergency signs that were denied */
  no: readonly Flag[];
  /** lists of which nothing else is true than what is ticked */
  seen: readonly SafetyList[];
}

export const unasked: Safety = { flags: [], limits: [], no: [], seen: [] };

/** The answers of somebody whose screen was asked. */
export function asked(all: Flags, flags: readonly Flag[], limits: readonly Limit[]): Safety {
  const no = all.filter((flag) => flag.urgency === 'emergency' && !flags.includes(flag.id)).map((flag) => flag.id);
  return { flags, limits, no, seen: lists };
}

/** How many answers are missing: of each emergency sign one, of each other list one. */
export function missing(all: Flags, safety: Safety): number {
  const open = all.filter(
    ({ id, urgency }) => urgency === 'emergency' && !safety.flags.includes(id) && !safety.no.includes(id),
  );
  return open.length + lists.filter((list) => !safety.seen.includes(list)).length;
}

export function missingWords(count: number): string {
  return count === 1 ? 'One answer of the screen is missing.' : `${count} answers of the screen are missing.`;
}
