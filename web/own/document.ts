import type { FloorPlan } from '../parts/run/run';

/** What the file holds: one client's sessions of a week. */
export interface OwnDocument {
  first: string;
  studio: string;
  contact: string;
  title: string;
  /** ISO dates: made on, works until */
  made: string;
  until: string;
  care: string[];
  emergency: string[];
  /** pain that stops, and pain with which an exercise is left for today, each where it is more, 0 to 10 */
  stop_over: number;
  easy_over: number;
  warnings: { id: string; name: string; text: string }[];
  sessions: { date: string; title: string; minutes: string; plan: FloorPlan }[];
  rungs: Record<string, FloorPlan['rungs'][string] & { below: string | null }>;
  moves: FloorPlan['moves'];
}

/** What it seals with, and where it finds the studio; `at` is empty where it finds it nowhere. */
export interface Seal {
  page: string;
  key: string;
  at: string;
}

function held(id: string): unknown {
  return JSON.parse(document.getElementById(id)?.textContent ?? '');
}

export const own = held('document') as OwnDocument;
export const seal = held('seal') as Seal;

for (const session of own.sessions) {
  session.plan.rungs = own.rungs;
  session.plan.moves = own.moves;
}

/** The day here as an ISO date. */
export function today(): string {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
}

export function daysSinceMade(on: string): number {
  return Math.max(0, Math.round((Date.parse(on) - Date.parse(own.made)) / 86_400_000));
}
