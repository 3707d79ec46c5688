import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { useSyncExternalStore } from 'react';
import { ApiError, answer, api } from '../../api/client';
import { everyClockStands } from '../../lib/clock';
import { seal, unseal, whose, type Sealed } from '../../lib/device';
import { advance, hasAnything, isOver, isSent, isStopped, logOf, throwAway, type Run } from './run';
import { sound } from './cues';

/**
 * The sessions that are run on this device. Every change is written to the device first and sent when it can be; nothing is
 * taken off the device before the server has it.
 */

/** A run that the server lacks, of somebody who has signed out: only they can read it again. */
interface SealedRun {
  id: string;
  studio: string;
  person: string;
  sealed: Sealed;
}

interface Device extends DBSchema {
  runs: { key: string; value: Run | SealedRun };
}

/** Whether a run on the device is of whoever is signed in. */
function isMine(run: Run | SealedRun): boolean {
  const me = whose();
  if ('sealed' in run) return run.studio === me?.studio && run.person === me.person;
  return run.plan.studio === me?.studio && (run.person === undefined || run.person === me.person);
}

/** Refusals of the moment: signed out, a page too old, too many requests. */
const passing = [401, 408, 419, 429];

const RETRY_MS = 3000;
const SAVE_EVERY_MS = 1000;

let device: Promise<IDBPDatabase<Device>> | undefined;
function open(): Promise<IDBPDatabase<Device>> {
  device ??= openDB<Device>('even-rungs-floor', 1, {
    upgrade(db) {
      db.createObjectStore('runs', { keyPath: 'id' });
    },
  });
  return device;
}

export type Link = 'sent' | 'sending' | 'waiting' | 'signed-out';

interface State {
  runs: readonly Run[];
  loaded: boolean;
  link: Link;
  /** the device refuses to keep anything, as in some private windows */
  unkept: boolean;
  /** another window of this browser runs the floor now */
  elsewhere: boolean;
}

let state: State = { runs: [], loaded: false, link: 'sent', unkept: false, elsewhere: false };
const listeners = new Set<() => void>();

function set(part: Partial<State>) {
  state = { ...state, ...part };
  for (const listener of listeners) listener();
}

/** The monotonic clock of the device, in milliseconds. */
export function now(): number {
  return performance.now();
}

async function keep(run: Run) {
  try {
    const db = await open();
    await db.put('runs', run, undefined);
  } catch {
    set({ unkept: true });
  }
}

/** The runs of whoever is signed in: nobody else who signs in on the same device sees or sends anything of them. */
export async function load() {
  const me = whose();
  if (me === null || (state.loaded && me.person === owner)) return;
  owner = me.person;
  watch();
  windows.postMessage(null);
  try {
    const db = await open();
    // a reload starts the monotonic clock anew: what ran stands where it was seen last
    const kept: Run[] = [];
    for (const run of (await db.getAll('runs')).filter(isMine)) {
      const open = 'sealed' in run ? ((await unseal(me, run.sealed)) as Run) : run;
      const left = !open.finished && open.members.some((_, i) => hasAnything(open, i));
      kept.push({ ...open, since: null, ...(left ? { left } : {}) });
    }
    set({ runs: kept, loaded: true, elsewhere: false });
  } catch {
    set({ loaded: true, unkept: true });
  }
  void send();
}

/** Takes everything off the device that the server has, and seals the rest, when somebody signs out. */
export async function leave() {
  const me = whose();
  stopAll();
  if (me === null) return;
  try {
    const db = await open();
    for (const run of (await db.getAll('runs')).filter(isMine)) {
      if ('sealed' in run) continue;
      if (isSent(run)) await db.delete('runs', run.id);
      else await db.put('runs', { id: run.id, studio: me.studio, person: me.person, sealed: await seal(me, run) });
    }
  } finally {
    owner = '';
    set({ runs: [], loaded: false, link: 'sent' });
  }
}

/** Who of a plan is on the floor already; a client is there once. */
export function alreadyHere(plan: Run['plan']): string | undefined {
  const clients = plan.members.map(({ client }) => client);
  return state.runs
    .filter((run) => !run.finished && run.thrown !== true)
    .flatMap((run) => run.plan.members)
    .find(({ client }) => clients.includes(client))?.name;
}

export function add(started: Run) {
  const run = { ...started, person: whose()?.person ?? '' };
  set({ runs: [...state.runs, run] });
  void keep(run);
  void send();
}

/** Keeps nothing of a run: it goes from the server, where it has come there, and then from the device. */
export function discard(id: string) {
  change(id, (run) => throwAway(run, now()));
}

/** Takes a run off the device, which is only offered once the server has it, or where the trainer throws it away. */
export async function drop(id: string) {
  set({ runs: state.runs.filter((run) => run.id !== id) });
  const db = await open();
  await db.delete('runs', id);
}

export function change(id: string, by: (run: Run) => Run) {
  const before = state.runs.find((run) => run.id === id);
  if (before === undefined) return;
  const after = by(before);
  if (after === before) return;
  if (after.segment !== before.segment) sound(before, after, now(), heard(id));
  set({ runs: state.runs.map((run) => (run.id === id ? after : run)) });
  void keep(after);
  if (after.revision !== before.revision) void send();
}

/** Which lane a run is: each sounds at a pitch of its own. */
function heard(id: string) {
  return { lane: state.runs.findIndex((run) => run.id === id), lanes: state.runs.length };
}

/** Stops every clock. */
export function stopAll() {
  const at = now();
  for (const run of state.runs)
    if (run.since !== null) change(run.id, (each) => ({ ...advance(each, at), since: null }));
  window.dispatchEvent(new Event(everyClockStands));
}

let savedAt = 0;

/** Reads the clocks; called often, and again when the page is seen after it was hidden. */
export function beat() {
  const at = now();
  const saves = at - savedAt > SAVE_EVERY_MS;
  if (saves) savedAt = at;
  for (const run of state.runs) {
    if (run.since === null) continue;
    const next = advance(run, at);
    if (next.revision !== run.revision) {
      change(run.id, () => next);
    } else {
      sound(run, next, at, heard(run.id));
      if (saves) void keep(next);
    }
  }
}

/** Two windows with one set of clocks would write over each other: the one opened last has the floor. */
const windows = new BroadcastChannel('even-rungs-floor');
windows.onmessage = () => {
  if (!state.loaded) return;
  stopAll();
  set({ runs: [], loaded: false, elsewhere: true });
};

/** Takes the floor back from another window. */
export function takeBack() {
  owner = '';
  set({ elsewhere: false });
  void load();
}

let ticker: Worker | undefined;

/** Clocks go on while another page of the application is looked at. */
function watch() {
  if (ticker !== undefined) return;
  ticker = new Worker(new URL('./ticker.ts', import.meta.url), { type: 'module' });
  ticker.onmessage = beat;
  window.addEventListener('beforeunload', (event) => {
    if (isRunning() || state.runs.some((run) => !isSent(run))) event.preventDefault();
  });
}

let owner = '';
let busy = false;
let retry: ReturnType<typeof setTimeout> | undefined;

/** Sends what the server lacks, one log after the other. What it cannot take is shown at the run and tried no more. */
export async function send() {
  clearTimeout(retry);
  if (busy) return;
  busy = true;
  try {
    const later = new Map<string, Error>();
    for (;;) {
      const next = unsent([...later.keys()]);
      if (next === undefined) break;
      set({ link: 'sending' });
      const [run, member] = next;
      const { revision } = run;
      try {
        if (run.thrown === true) await withdraw(run);
        else if (await put(run, member, false)) mark(run.id, member, { sent: revision });
      } catch (error) {
        // what the server stumbles over holds up no other run
        if (!(error instanceof ApiError) || error.problem.status < 500) throw error;
        later.set(run.id, error);
      }
    }
    for (const error of later.values()) throw error;
    set({ link: 'sent' });
  } catch (error) {
    set({ link: error instanceof ApiError && error.problem.status === 401 ? 'signed-out' : 'waiting' });
    retry = setTimeout(() => void send(), RETRY_MS);
  } finally {
    busy = false;
  }
}

function unsent(without: readonly string[]): [Run, number] | undefined {
  for (const run of state.runs.filter(({ id }) => !without.includes(id))) {
    if (run.thrown === true) return [run, 0];
    const member = run.members.findIndex(
      (each, i) =>
        each.sent < run.revision &&
        each.conflict === null &&
        each.refused === null &&
        (each.sent > 0 || hasAnything(run, i)),
    );
    if (member >= 0) return [run, member];
  }
  return undefined;
}

/** Takes what the server has of a thrown run off its record, then the run off the device. */
async function withdraw(run: Run) {
  for (const [i, member] of run.members.entries()) {
    if (member.sent === 0) continue;
    const client = run.plan.members[i]?.client ?? '';
    const params = { path: { client, key: member.key } };
    try {
      await answer(api.DELETE('/clients/{client}/logs/run/{key}', { params }));
    } catch (error) {
      // whose record is gone keeps nothing of it either
      if (!(error instanceof ApiError) || error.problem.status !== 404) throw error;
    }
  }
  await drop(run.id);
}

/** Whether the server has it; where it cannot take it, that stands at the run. */
async function put(run: Run, member: number, over: boolean): Promise<boolean> {
  const client = run.plan.members[member]?.client ?? '';
  const key = run.members[member]?.key ?? '';
  try {
    await answer(
      api.PUT('/clients/{client}/logs/run/{key}', {
        params: { path: { client, key } },
        body: { ...logOf(run, member), device_time: new Date().toISOString(), ...(over ? { over } : {}) },
      }),
    );
    return true;
  } catch (error) {
    if (!(error instanceof ApiError)) throw error;
    const { status, current } = error.problem;
    if (status === 409) {
      const differences = current !== undefined && 'differences' in current ? current.differences : undefined;
      const isRemoved = current !== undefined && 'removed' in current;
      mark(run.id, member, {
        conflict: differences !== undefined ? 'differs' : isRemoved ? 'removed' : 'edited',
        differences: differences ?? [],
      });
    } else if (status >= 400 && status < 500 && !passing.includes(status)) {
      mark(run.id, member, { refused: error.message });
    } else {
      throw error;
    }
    return false;
  }
}

function mark(id: string, member: number, part: Partial<Run['members'][number]>) {
  set({
    runs: state.runs.map((run) => {
      if (run.id !== id) return run;
      const next = { ...run, members: run.members.map((each, i) => (i === member ? { ...each, ...part } : each)) };
      void keep(next);
      return next;
    }),
  });
}

/** Writes over what somebody else changed on the server. */
export async function sendOver(id: string, member: number) {
  const run = state.runs.find((each) => each.id === id);
  if (run === undefined) return;
  mark(id, member, { conflict: null });
  try {
    if (await put(run, member, true)) mark(id, member, { sent: run.revision });
  } catch {
    mark(id, member, { conflict: 'edited' });
  }
}

/** Lets stand what somebody else wrote on the server. */
export function yieldTo(id: string, member: number) {
  const run = state.runs.find((each) => each.id === id);
  if (run !== undefined) mark(id, member, { conflict: null, sent: Number.MAX_SAFE_INTEGER });
}

export function useFloor(): State {
  return useSyncExternalStore(
    (changedState) => {
      listeners.add(changedState);
      return () => {
        listeners.delete(changedState);
      };
    },
    () => state,
  );
}

/** Whether something is only on this device, also before the floor was opened. */
export async function hasUnsent(): Promise<boolean> {
  const runs = state.loaded ? state.runs : (await (await open()).getAll('runs')).filter(isMine);
  return runs.some((run) => 'sealed' in run || !isSent(run));
}

function isRunning(): boolean {
  return state.runs.some(
    (run) => run.since !== null && !isOver(run) && !run.members.every((_, i) => isStopped(run, i)),
  );
}

window.addEventListener('online', () => void send());
document.addEventListener('visibilitychange', () => {
  beat();
});
