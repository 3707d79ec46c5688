import { useSyncExternalStore } from 'react';
import { begin, type Report, type Run } from '../parts/run/run';
import type { PainKind } from '../parts/log/painKinds';
import type { Back } from './code';
import { own, seal, today } from './document';

/** What something that hurts was said to be; it locks the page. */
export interface Hurt {
  on: string;
  pain: number;
  kind?: PainKind | undefined;
  warnings: string[];
}

export interface Kept {
  /** begun sessions, without their plans */
  runs: Record<number, Omit<Run, 'plan'>>;
  /** effort and pain of each exercise, by session and rung */
  said: Record<number, Record<string, Pick<Report, 'effort' | 'pain' | 'pain_kind'>>>;
  words: Record<number, string>;
  /** what is to be brought back, by session */
  done: Record<number, { back: Back; on: string; sent: boolean }>;
  hurt?: Hurt;
}

const NAME = `own-${seal.page}`;

function read(): Kept {
  const nothing: Kept = { runs: {}, said: {}, words: {}, done: {} };
  try {
    return { ...nothing, ...(JSON.parse(localStorage.getItem(NAME) ?? '{}') as Partial<Kept>) };
  } catch {
    return nothing;
  }
}

let kept = read();
for (const run of Object.values(kept.runs)) run.since = null;
const listeners = new Set<() => void>();

/** Whether this browser keeps anything of it once the page is closed. */
export const keeps = (() => {
  try {
    localStorage.setItem(`${NAME}-try`, '1');
    localStorage.removeItem(`${NAME}-try`);
    return true;
  } catch {
    return false;
  }
})();

export function change(by: (kept: Kept) => Kept) {
  kept = by(kept);
  try {
    localStorage.setItem(NAME, JSON.stringify(kept));
  } catch {
    // it goes on as long as the page is open
  }
  for (const listener of listeners) listener();
}

export function useKept(): Kept {
  return useSyncExternalStore(
    (changed) => {
      listeners.add(changed);
      return () => {
        listeners.delete(changed);
      };
    },
    () => kept,
  );
}

/** The run of a session, begun or not. */
export function runOf(all: Kept, session: number): Run | null {
  const plan = own.sessions[session]?.plan;
  const run = all.runs[session];
  return plan === undefined ? null : run === undefined ? null : { ...run, plan };
}

/** What is kept of a run: its plan stands in the file. */
export function withoutPlan(run: Run): Omit<Run, 'plan'> {
  const rest: Partial<Run> = { ...run };
  delete rest.plan;
  return rest as Omit<Run, 'plan'>;
}

export function start(session: number) {
  const plan = own.sessions[session]?.plan;
  if (plan === undefined) return;
  const run = withoutPlan(begin(plan, today()));
  change((all) => ({ ...all, runs: { ...all.runs, [session]: run } }));
}

export function changeRun(session: number, by: (run: Run) => Run) {
  change((all) => {
    const run = runOf(all, session);
    if (run === null) return all;
    return { ...all, runs: { ...all.runs, [session]: withoutPlan(by(run)) } };
  });
}
