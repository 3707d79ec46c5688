import { doneOf, endHere, isBehind, isLeft, pause, type Ending, type Run } from '../parts/run/run';
import type { PainKind } from '../parts/log/painKinds';
import { MOST_WORD, OUTSIDE, type Back } from './code';
import { daysSinceMade, own, today } from './document';
import { change, runOf, withoutPlan, type Kept } from './kept';

/** The rungs of a session in their order. */
export function exercisesOf(run: Pick<Run, 'plan'>): string[] {
  return [...new Set(run.plan.sets.map((set) => set.rung))];
}

/** The rung that is worked at, or the last one that was; null before the first. */
export function rungNow(run: Run): string | null {
  const before = run.plan.segments.slice(0, run.segment + 1).reverse();
  return before.find((segment) => segment.rung !== null)?.rung ?? null;
}

function nobody(session: number, on: string): Back {
  return {
    session,
    day: daysSinceMade(on),
    ran: 0,
    warnings: own.warnings.map(() => false),
    exercises: [],
    sets: [],
    word: '',
  };
}

function backOf(kept: Kept, run: Run, session: number): Back {
  const member = run.members[0];
  return {
    ...nobody(session, run.on),
    ended: run.endedEarly,
    ran: Math.round(run.ranMs / 1000),
    soreness: member?.soreness,
    pain_before: member?.pain_before,
    pain_kind: member?.pain_kind,
    effort: member?.effort,
    signs: member?.signs,
    exercises: exercisesOf(run).map((rung) => kept.said[session]?.[rung] ?? {}),
    sets: run.plan.sets.map((set, i) => {
      if (isLeft(run, i)) return null;
      const done = doneOf(run, i);
      return done === set.target ? true : done;
    }),
    word: (kept.words[session] ?? '').trim().slice(0, MOST_WORD),
  };
}

/** Whether every set was come to. */
export function isWhole(run: Run): boolean {
  return run.plan.sets.every((_, i) => isBehind(run, i));
}

/** Ends a session, and makes what is to be brought back. */
export function finish(session: number, at: number, why: Ending | null) {
  change((all) => {
    const run = runOf(all, session);
    if (run === null) return all;
    const over = why === null ? pause(run, at) : endHere(run, at, why);
    const back = backOf(all, over, session);
    return {
      ...all,
      runs: { ...all.runs, [session]: { ...withoutPlan(over), finished: true } },
      done: { ...all.done, [session]: { back, on: run.on, sent: false } },
    };
  });
}

/** Something hurts: the session ends where it is, and nothing of the page goes on. */
export function lock(session: number | null, pain: number, kind: PainKind | undefined, warnings: string[]) {
  const on = today();
  change((all) => {
    const run = session === null ? null : runOf(all, session);
    const there = own.warnings.map((sign) => warnings.includes(sign.id));
    const hurt = { on, pain, kind, warnings };
    if (run === null || session === null) {
      const back: Back = { ...nobody(OUTSIDE, on), ended: 'pain', pain_before: pain, pain_kind: kind, warnings: there };
      return { ...all, hurt, done: { ...all.done, [OUTSIDE]: { back, on, sent: false } } };
    }
    const over = endHere(run, performance.now(), 'pain');
    const rung = rungNow(run);
    const was = rung === null ? undefined : all.said[session]?.[rung];
    const said =
      rung === null
        ? all.said
        : {
            ...all.said,
            [session]: {
              ...all.said[session],
              [rung]: { ...was, pain: Math.max(pain, was?.pain ?? 0), pain_kind: kind ?? was?.pain_kind },
            },
          };
    const next = { ...all, said };
    const of = backOf(next, over, session);
    const back: Back = {
      ...of,
      warnings: there,
      ...(rung === null ? { pain_before: pain, pain_kind: kind } : {}),
    };
    return { ...next, hurt, done: { ...all.done, [session]: { back, on: run.on, sent: false } } };
  });
}
