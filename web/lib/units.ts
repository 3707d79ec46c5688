import type { Schemas } from '../api/client';

/** What amounts are kept in; repetitions, seconds and percent are the same everywhere. */
export type Unit = 'kg' | 'cm' | 'm' | 'reps' | 's' | '%';

interface Shown {
  unit: string;
  /** how much of the kept unit one of it is */
  one: number;
  /** what it is rounded to */
  to: number;
  /** what a kept amount under this is rounded to, so that it reads back */
  short?: { under: number; to: number };
}

const imperial: Partial<Record<Unit, Shown>> = {
  kg: { unit: 'lb', one: 0.45359237, to: 0.5 },
  cm: { unit: 'in', one: 2.54, to: 0.5 },
  m: { unit: 'ft', one: 0.3048, to: 1, short: { under: 3, to: 0.5 } },
};

let studio: Schemas['StudioSettings']['units'] = 'metric';

/** From here on amounts are shown and read as the studio measures. */
export function measureIn(units: typeof studio) {
  studio = units;
}

function shownIn(unit: Unit): Shown | undefined {
  return studio === 'imperial' ? imperial[unit] : undefined;
}

/** The unit that an amount is shown in. */
export function unitOf(unit: Unit): string {
  return shownIn(unit)?.unit ?? unit;
}

/** A kept amount in the unit that is shown. */
export function numberIn(unit: Unit, kept: number): number {
  const shown = shownIn(unit);
  if (shown === undefined) return kept;
  const to = shown.short !== undefined && kept < shown.short.under ? shown.short.to : shown.to;
  return Math.round(kept / shown.one / to) * to;
}

/** A kept amount with its unit. */
export function amount(unit: Unit, kept: number): string {
  return `${numberIn(unit, kept)} ${unitOf(unit)}`;
}

/**
 * What was typed in the unit that is shown, as it is kept.
 *
 * @param asked what was asked for: typed as it is shown, it was reached exactly
 */
export function typedIn(unit: Unit, typed: number, asked?: number): number {
  const shown = shownIn(unit);
  if (shown === undefined) return typed;
  return asked !== undefined && numberIn(unit, asked) === typed ? asked : Math.round(typed * shown.one * 10) / 10;
}
