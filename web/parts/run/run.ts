import type { Schemas } from '../../api/client';

export type FloorPlan = Schemas['FloorPlan'];
export type FloorSet = Schemas['FloorSet'];
export type Segment = Schemas['FloorSegment'];
export type PainKind = NonNullable<Schemas['LoggedSet']['pain_kind']>;
export type Tick = FloorPlan['ticks'][number]['id'];
export type Sign = FloorPlan['members'][number]['signs'][number]['id'];
export type Place = NonNullable<Schemas['LoggedSet']['felt']>[number];

export type Ending = NonNullable<Schemas['LogRunRequest']['ended']>;

/** What the trainer said of one set; what is left out was not recorded. */
export interface Report {
  done?: number | undefined;
  faults?: string[] | undefined;
  cued?: string[] | undefined;
  ended_by?: string | undefined;
  /** what saw the fault that ended it, where no trainer did */
  seen_by?: 'camera' | 'cuff' | undefined;
  pain?: number | undefined;
  pain_kind?: PainKind | undefined;
  effort?: number | undefined;
  breathing?: boolean | undefined;
  felt?: Place[] | undefined;
  range?: number | undefined;
  range_cm?: number | undefined;
  load_kg?: number | undefined;
  band?: string | undefined;
  talked?: boolean | undefined;
  shaking?: boolean | undefined;
}

/** Of one member, for the whole session. */
export interface Member {
  /** of the log; the server keeps it once */
  key: string;
  soreness?: number | undefined;
  pain_before?: number | undefined;
  /** soreness and pain were asked at the door, and are not asked again */
  atDoor?: boolean;
  /** said of the whole session */
  pain_kind?: PainKind | undefined;
  effort?: number | undefined;
  ticks: Record<string, Tick[]>;
  /** given once, for every set that was worked at and not answered by itself */
  rest?: Report;
  /** signs that were there; absent where nobody asked */
  signs?: Sign[];
  readiness?: number | undefined;
  /** the newest revision that the server has */
  sent: number;
  conflict: 'edited' | 'removed' | 'differs' | null;
  /** where another log of the session says something else */
  differences?: string[];
  refused: string | null;
}

/**
 * A session while it is run. Time is kept as how far the present segment had come at one moment of a monotonic clock, so that
 * a count is always a difference of two readings and never a sum of ticks.
 */
export interface Run {
  id: string;
  /** who ran it; absent in runs of earlier versions */
  person?: string;
  plan: FloorPlan;
  on: string;
  segment: number;
  elapsedMs: number;
  /** reading of the monotonic clock at which `elapsedMs` was true; null while the clock stands */
  since: number | null;
  /** how long the clock has run in all */
  ranMs: number;
  /** added to segments, by place */
  extraMs: Record<number, number>;
  /** worked at sets, by set and segment */
  workedMs: Record<number, Record<number, number>>;
  /** sets that ended early, whose clock may go on for others of a group */
  ended: number[];
  reports: Record<number, Report>;
  members: Member[];
  finished: boolean;
  revision: number;
  /** segments that run on to the first fault */
  open?: number[];
  /** sets whose two sides are answered one by one */
  apart?: number[];
  /** it stood here when the page was opened: what became of it is asked */
  left?: boolean;
  /** nothing of it is kept; it goes once the server knows */
  thrown?: boolean;
  /** why it was ended before its end */
  endedEarly?: Ending;
  /** what the trainer says of sets that hardly began */
  brief?: Record<number, 'set' | 'none'>;
}

/** Random, also where the page is not in a secure context. */
export function newKey(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => (byte + 256).toString(16).slice(1)).join('');
}

export function begin(plan: FloorPlan, on: string): Run {
  return {
    id: newKey(),
    plan,
    on,
    segment: 0,
    elapsedMs: 0,
    since: null,
    ranMs: 0,
    extraMs: {},
    workedMs: {},
    ended: [],
    reports: {},
    members: plan.members.map(({ said }) => ({
      key: newKey(),
      ticks: {},
      sent: 0,
      conflict: null,
      refused: null,
      ...said,
    })),
    finished: false,
    revision: 1,
  };
}

export function lengthOf(run: Run, segment: number): number {
  return (run.plan.segments[segment]?.ms ?? 0) + (run.extraMs[segment] ?? 0);
}

/** Whether a segment has no end but the first fault. */
export function isOpen(run: Run, segment: number): boolean {
  return run.open?.includes(segment) === true;
}

/** How far the present segment has come. */
export function elapsedAt(run: Run, now: number): number {
  return run.elapsedMs + (run.since === null ? 0 : Math.max(0, now - run.since));
}

export function isOver(run: Run): boolean {
  return run.segment >= run.plan.segments.length;
}

/** What is left of the whole session at a moment. */
export function leftAt(run: Run, now: number): number {
  let left = -Math.min(elapsedAt(run, now), lengthOf(run, run.segment));
  for (let i = run.segment; i < run.plan.segments.length; i++) left += lengthOf(run, i);
  return left;
}

/** Places of the sets that a segment is worked at. */
export function setsIn(plan: FloorPlan, segment: number): number[] {
  return plan.sets.flatMap((set, i) => (set.spans.some((span) => span.segment === segment) ? [i] : []));
}

function clamp(value: number, least: number, most: number): number {
  return Math.min(most, Math.max(least, value));
}

/** How long a set was worked at in a segment that has come so far; the last span takes what was added to the segment. */
function workedIn(run: Run, set: FloorSet, segment: number, elapsed: number): number {
  const whole = run.plan.segments[segment]?.ms ?? 0;
  return set.spans
    .filter((span) => span.segment === segment)
    .reduce(
      (sum, span) => sum + clamp(elapsed, span.from_ms, span.to_ms === whole ? Infinity : span.to_ms) - span.from_ms,
      0,
    );
}

/** Writes down the work of the present segment as far as it has come. */
function withWork(run: Run, elapsed: number): Run {
  const sets = setsIn(run.plan, run.segment).filter(
    (i) => !run.ended.includes(i) && !isStopped(run, run.plan.sets[i]?.member ?? 0),
  );
  if (sets.length === 0) return run;
  const workedMs = { ...run.workedMs };
  for (const i of sets) {
    const set = run.plan.sets[i];
    if (set !== undefined) workedMs[i] = { ...workedMs[i], [run.segment]: workedIn(run, set, run.segment, elapsed) };
  }
  return { ...run, workedMs };
}

function changed(run: Run): Run {
  return { ...run, revision: run.revision + 1 };
}

/** The run with its clock read: segments that have ended are behind it, also all that ended while nobody looked. */
export function advance(run: Run, now: number): Run {
  if (run.since === null) return run;
  let elapsed = elapsedAt(run, now);
  let next: Run = { ...run, ranMs: run.ranMs + Math.max(0, now - run.since) };
  let passed = false;
  while (!isOver(next) && !isOpen(next, next.segment) && elapsed >= lengthOf(next, next.segment)) {
    const length = lengthOf(next, next.segment);
    next = { ...withWork(next, length), segment: next.segment + 1 };
    elapsed -= length;
    passed = true;
  }
  next = isOver(next)
    ? { ...next, ranMs: next.ranMs - elapsed, elapsedMs: 0, since: null }
    : { ...next, elapsedMs: elapsed, since: now };
  return passed ? changed(next) : next;
}

export function pause(run: Run, now: number): Run {
  return { ...advance(run, now), since: null };
}

export function resume(run: Run, now: number): Run {
  return isOver(run) || run.finished || run.plan.members.every((_, i) => isStopped(run, i))
    ? run
    : { ...run, since: now };
}

function goTo(run: Run, segment: number, now: number): Run {
  const next = { ...run, segment, elapsedMs: 0, since: run.since === null ? null : now };
  return changed(isOver(next) ? { ...next, since: null } : next);
}

/** On to the next segment; of a set, what was done so far counts. */
export function skip(run: Run, now: number): Run {
  const at = advance(run, now);
  return isOver(at) ? at : goTo(withWork(at, elapsedAt(at, now)), at.segment + 1, now);
}

/** On to the first work: whoever is warm already needs no warm-up. */
export function leaveWarmUp(run: Run, now: number): Run {
  const at = advance(run, now);
  const first = at.plan.segments.findIndex((segment) => segment.what !== 'warm-up');
  return isOver(at) || first <= at.segment ? at : goTo(at, first, now);
}

/** A session that ends here: what was not begun is left, and is no short set. */
export function endHere(run: Run, now: number, why: Ending): Run {
  const at = advance(run, now);
  const here = withWork(at, elapsedAt(at, now));
  return changed({
    ...here,
    segment: here.plan.segments.length,
    elapsedMs: 0,
    since: null,
    left: false,
    endedEarly: why,
  });
}

/** From the start of the segment again, or of the work before where it has hardly begun; what was logged of it is forgotten. */
export function repeat(run: Run, now: number): Run {
  const at = advance(run, now);
  const here = at.plan.segments[at.segment];
  const again = here?.what === 'work' && elapsedAt(at, now) > 3000;
  let segment = at.segment;
  if (!again) {
    segment--;
    while (segment > 0 && at.plan.segments[segment]?.what !== 'work') segment--;
  }
  segment = Math.max(0, segment);
  const workedMs = { ...at.workedMs };
  const reports = { ...at.reports };
  const sets = setsIn(at.plan, segment);
  for (const i of sets) {
    workedMs[i] = Object.fromEntries(Object.entries(workedMs[i] ?? {}).filter(([place]) => Number(place) < segment));
    Reflect.deleteProperty(reports, i);
  }
  return goTo({ ...at, workedMs, reports, ended: at.ended.filter((i) => !sets.includes(i)) }, segment, now);
}

export function addTime(run: Run, now: number, ms: number): Run {
  const at = advance(run, now);
  return isOver(at) ? at : { ...at, extraMs: { ...at.extraMs, [at.segment]: (at.extraMs[at.segment] ?? 0) + ms } };
}

/** Ends the set of a member with the fault that ended it. Alone on the clock, the session goes on behind the set. */
export function endSet(run: Run, now: number, member: number, fault: string): Run {
  const at = advance(run, now);
  const sets = setsIn(at.plan, at.segment).filter((i) => at.plan.sets[i]?.member === member && !at.ended.includes(i));
  if (sets.length === 0) return at;
  let next = withWork(at, elapsedAt(at, now));
  const reports = { ...next.reports };
  for (const i of sets) {
    const report = reports[i] ?? {};
    reports[i] = {
      ...report,
      faults: [...new Set([...(report.faults ?? []), fault])],
      ended_by: fault,
      ...(fault === 'breath-held' ? { breathing: false } : {}),
    };
  }
  next = { ...next, reports, ended: [...next.ended, ...sets] };
  if (next.plan.members.length > 1) return changed(next);
  const behind = Math.max(...sets.flatMap((i) => next.plan.sets[i]?.spans.map((span) => span.segment) ?? [])) + 1;
  return goTo(next, behind, now);
}

/**
 * Ends the set of a member with what a device saw.
 *
 * @param held how long the line was held, in seconds; null where the device does not say
 * @param fault null where what it saw has no name among the faults
 */
export function endBySight(
  run: Run,
  now: number,
  member: number,
  by: 'camera' | 'cuff',
  fault: string | null,
  held: number | null,
): Run {
  const at = advance(run, now);
  const sets = setsIn(at.plan, at.segment).filter((i) => at.plan.sets[i]?.member === member && !at.ended.includes(i));
  const next = fault === null ? skip(at, now) : endSet(at, now, member, fault);
  const reports = { ...next.reports };
  for (const i of sets) reports[i] = { ...reports[i], seen_by: by, ...(held === null ? {} : { done: held }) };
  return { ...next, reports };
}

/** Lets the hold of the present segment run to the first fault, or to its target again. */
export function openUp(run: Run, now: number): Run {
  const at = advance(run, now);
  const here = at.segment;
  const holds = setsIn(at.plan, here).map((i) => at.plan.sets[i]);
  if (holds.length === 0 || !holds.every((set) => set?.can_open === true)) return at;
  const open = at.open ?? [];
  return changed({ ...at, open: isOpen(at, here) ? open.filter((segment) => segment !== here) : [...open, here] });
}

/** A tap too many is no set: under three seconds it is asked about. */
const BRIEF_MS = 3000;

function msOf(run: Run, i: number): number {
  return Object.values(run.workedMs[i] ?? {}).reduce((sum, part) => sum + part, 0);
}

/** Whether a set hardly began, by the clock alone. */
export function isBrief(run: Run, i: number): boolean {
  const set = run.plan.sets[i];
  if (set === undefined || run.reports[i]?.done !== undefined) return false;
  const whole = set.spans.reduce((sum, span) => sum + span.to_ms - span.from_ms, 0);
  const ms = msOf(run, i);
  return ms > 0 && ms < Math.min(BRIEF_MS, whole);
}

/** Says whether what hardly began was a set. */
export function tellBrief(run: Run, i: number, was: 'set' | 'none'): Run {
  return changed({ ...run, brief: { ...run.brief, ...Object.fromEntries(pairOf(run, i).map((each) => [each, was])) } });
}

/** Whether a set is left out of what was asked: the session was ended before it, or it hardly began. */
export function isLeft(run: Run, i: number): boolean {
  if (isBrief(run, i) && run.brief?.[i] !== 'set') return true;
  return run.endedEarly !== undefined && run.reports[i] === undefined && !run.ended.includes(i) && doneOf(run, i) === 0;
}

/** Repetitions, seconds or metres that a set has come to, by the clock or as the trainer wrote it. */
export function doneOf(run: Run, i: number): number {
  const set = run.plan.sets[i];
  if (set === undefined) return 0;
  const typed = run.reports[i]?.done;
  if (typed !== undefined) return typed;
  if (isBrief(run, i) && run.brief?.[i] !== 'set') return 0;
  const ms = msOf(run, i);
  const done = set.unit === 's' ? Math.floor(ms / (set.unit_ms / 10)) / 10 : Math.floor(ms / set.unit_ms + 1e-6);
  const longer = set.spans.some((span) => (run.extraMs[span.segment] ?? 0) > 0 || isOpen(run, span.segment));
  return longer ? done : Math.min(done, set.target);
}

/** How much of the present set is done at this moment, by the clock. */
export function countAt(run: Run, i: number, now: number): number {
  return doneOf(withWork({ ...run, reports: {}, brief: { [i]: 'set' } }, elapsedAt(run, now)), i);
}

/** Whether a set has been worked at, passed or reported. */
export function isBehind(run: Run, i: number): boolean {
  if (run.endedEarly !== undefined && isLeft(run, i) && !isBrief(run, i)) return false;
  const last = Math.max(...(run.plan.sets[i]?.spans.map((span) => span.segment) ?? [0]));
  return last < run.segment || run.ended.includes(i) || run.reports[i] !== undefined;
}

/** Pain of a kind or size that stops at once. */
export function stops(plan: FloorPlan, report: Report | undefined): boolean {
  return (report?.pain ?? 0) > plan.stop.over || plan.stop.kinds.includes(report?.pain_kind ?? '');
}

export function isStopped(run: Run, member: number): boolean {
  return (
    stops(run.plan, { pain: run.members[member]?.pain_before, pain_kind: run.members[member]?.pain_kind }) ||
    stops(run.plan, run.members[member]?.rest) ||
    run.plan.sets.some((set, i) => set.member === member && stops(run.plan, run.reports[i]))
  );
}

/** What is said of a member; where it stops them the clock stands, and the set they are in counts as far as it has come. */
function saying(run: Run, member: number, now: number, say: (run: Run) => Run): Run {
  const next = say(run);
  if (isStopped(run, member) || !isStopped(next, member)) return next;
  const at = advance(run, now);
  return { ...say(withWork(at, elapsedAt(at, now))), since: null };
}

/** A set with the other side of it where both are answered at once. */
export function pairOf(run: Run, i: number): number[] {
  const twin = run.plan.sets[i]?.twin ?? null;
  return twin === null || run.apart?.includes(Math.min(i, twin)) === true
    ? [i]
    : [Math.min(i, twin), Math.max(i, twin)];
}

/** Answers the two sides of a set one by one, or both at once again. */
export function takeApart(run: Run, i: number): Run {
  const first = Math.min(i, run.plan.sets[i]?.twin ?? i);
  const apart = run.apart ?? [];
  return { ...run, apart: apart.includes(first) ? apart.filter((each) => each !== first) : [...apart, first] };
}

/** Adds to what is known of a set, and of its other side where both are answered at once. Pain that stops lets the clock stand. */
export function report(run: Run, i: number, more: Partial<Report>, now: number): Run {
  return saying(run, run.plan.sets[i]?.member ?? 0, now, (at) => {
    const reports = { ...at.reports };
    for (const each of pairOf(at, i)) reports[each] = { ...reports[each], ...more };
    return changed({ ...at, reports });
  });
}

/** Whether form, pain and effort of a set are known. */
export function isTold(value: Report | undefined): boolean {
  return value?.faults !== undefined && value.pain !== undefined && value.effort !== undefined;
}

/** What is known of a set, with what was said once of all that were not answered. */
export function toldOf(run: Run, i: number): Report {
  const rest = run.members[run.plan.sets[i]?.member ?? 0]?.rest;
  return rest !== undefined && isBehind(run, i) && doneOf(run, i) > 0
    ? { ...rest, ...run.reports[i] }
    : (run.reports[i] ?? {});
}

/** Sets of a member that were worked at whole and of which nothing is known yet. */
export function unanswered(run: Run, member: number): number[] {
  return run.plan.sets.flatMap((set, i) =>
    set.member === member && isBehind(run, i) && !isTold(toldOf(run, i)) && doneOf(run, i) > 0 ? [i] : [],
  );
}

/** As planned, clean, breathing, easy, no pain, and every tick of ladders that end here. Never before somebody says so. */
export function asPlanned(run: Run, sets: readonly number[], now: number): Run {
  let next = run;
  for (const i of sets) {
    const set = next.plan.sets[i];
    if (set === undefined) continue;
    const well = { faults: [], cued: [], breathing: true, pain: 0, pain_kind: undefined, effort: next.plan.easy };
    next = report(next, i, { ...well, ended_by: undefined, done: Math.max(set.target, doneOf(next, i)) }, now);
    if (set.last_of_ladder) {
      const ticks = next.plan.ticks.map(({ id }) => id);
      next = tick(next, set.member, set.ladder, ticks, now);
    }
  }
  return next;
}

/** The sets of which nobody said anything and that the clock saw whole. */
export function asTheClockSaw(run: Run, member: number): number[] {
  return unanswered(run, member).filter((i) => doneOf(run, i) >= (run.plan.sets[i]?.target ?? 0));
}

/** Says something once of every set that was not answered by itself. */
export function tellRest(run: Run, member: number, more: Partial<Report>, now: number): Run {
  return tell(run, member, { rest: { ...run.members[member]?.rest, ...more } }, now);
}

/** Every tick of every ladder that a member has come to the end of. */
export function tickAll(run: Run, member: number, now: number): Run {
  const all = run.plan.ticks.map(({ id }) => id);
  return run.plan.sets.reduce(
    (next, set, i) =>
      set.member === member && set.last_of_ladder && isBehind(run, i) ? tick(next, member, set.ladder, all, now) : next,
    run,
  );
}

/** Whether a member did or said anything: without it there is no session. */
export function hasAnything(run: Run, member: number): boolean {
  const own = run.members[member];
  const said = run.plan.members[member]?.said;
  return (
    (own?.soreness !== undefined && own.soreness !== said?.soreness) ||
    (own?.pain_before !== undefined && own.pain_before !== said?.pain_before) ||
    own?.pain_kind !== undefined ||
    own?.effort !== undefined ||
    own?.readiness !== undefined ||
    (own?.signs?.length ?? 0) > 0 ||
    run.plan.sets.some(
      (set, i) =>
        set.member === member &&
        (doneOf(run, i) > 0 || Object.values(run.reports[i] ?? {}).some((value) => value !== undefined)),
    )
  );
}

/** Goes on with a run that was left half-way. */
export function takeUp(run: Run): Run {
  return { ...run, left: false };
}

/** A run of which nothing is kept. */
export function throwAway(run: Run, now: number): Run {
  return { ...finish(run, now), left: false, thrown: true };
}

export function tell(run: Run, member: number, more: Partial<Member>, now: number): Run {
  return saying(run, member, now, (at) =>
    changed({ ...at, members: at.members.map((each, i) => (i === member ? { ...each, ...more } : each)) }),
  );
}

export function tick(run: Run, member: number, ladder: string, ticks: Tick[], now: number): Run {
  return tell(run, member, { ticks: { ...run.members[member]?.ticks, [ladder]: ticks } }, now);
}

export function finish(run: Run, now: number): Run {
  return changed({ ...pause(run, now), finished: true, left: false });
}

type Recorded = Omit<Schemas['LoggedSet'], 'rung' | 'target' | 'done' | 'side'>;

/** Only what was answered: an answer that was taken back is not recorded. */
function recorded(told: Report = {}): Recorded {
  return Object.fromEntries(Object.entries(told).filter(([, value]) => value !== undefined));
}

/** What a set is asked beside its amount, and the range it comes to where nobody wrote otherwise. */
function asAsked(asked: FloorSet['asked']): Recorded {
  return {
    ...asked,
    ...(asked.target_range === undefined ? {} : { range: asked.target_range }),
    ...(asked.target_range_cm === undefined ? {} : { range_cm: asked.target_range_cm }),
  };
}

/** The log of a member as the server takes it: every set that was asked for, those not begun with nothing done. */
export function logOf(run: Run, member: number): Schemas['LogRunRequest'] {
  const own = run.members[member];
  const asked = Object.fromEntries(
    run.plan.sets
      .filter((set, i) => set.member === member && set.last_of_ladder && isBehind(run, i))
      .map((set) => [set.ladder, own?.ticks[set.ladder] ?? []]),
  );
  return {
    revision: run.revision,
    open: !run.finished,
    on: run.on,
    ...(own?.soreness === undefined ? {} : { soreness: own.soreness }),
    ...(own?.pain_before === undefined ? {} : { pain_before: own.pain_before }),
    ...(own?.pain_kind === undefined ? {} : { pain_kind: own.pain_kind }),
    ...(own?.effort === undefined ? {} : { effort: own.effort }),
    ...(own?.signs === undefined ? {} : { signs: own.signs }),
    ...(own?.readiness === undefined ? {} : { readiness: own.readiness }),
    ...(run.plan.planned === null ? {} : { planned: run.plan.planned }),
    ...(run.plan.door == null ? {} : { door: run.plan.door }),
    ...(run.finished ? { ran_s: run.ranMs / 1000 } : {}),
    ...(run.endedEarly === undefined ? {} : { ended: run.endedEarly }),
    ...(Object.keys(asked).length === 0 ? {} : { ticks: asked }),
    sets: run.plan.sets.flatMap((set, i) =>
      set.member === member
        ? [
            {
              rung: set.rung,
              side: set.side,
              target: set.target,
              ...(set.load_kg === null ? {} : { load_kg: set.load_kg }),
              ...asAsked(set.asked),
              ...(set.spans.some((span) => isOpen(run, span.segment)) ? { open: true } : {}),
              ...recorded(toldOf(run, i)),
              ...(isLeft(run, i) ? { left: true } : {}),
              done: doneOf(run, i),
            },
          ]
        : [],
    ),
  };
}

/** Revisions that a server still lacks. */
export function isSent(run: Run): boolean {
  return run.members.every((member, i) => member.sent >= run.revision || (member.sent === 0 && !hasAnything(run, i)));
}
