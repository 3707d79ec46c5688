import { answer, api, type Schemas } from '../../api/client';
import { today } from '../../lib/dates';
import { begin, newKey, type Member } from './run';
import { add, alreadyHere, load } from './store';

export function dayOf(iso: string): string {
  return ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'][new Date(`${iso}T12:00:00`).getDay()] ?? '';
}

async function put(plan: Schemas['FloorPlan'], said: Record<string, Said> = {}) {
  await load();
  const here = alreadyHere(plan);
  if (here !== undefined) throw new Error(`${here} is on the floor already: end or throw away that session first.`);
  const run = begin(plan, today());
  const members = run.members.map((each, i) => {
    const own = Object.entries(said[plan.members[i]?.client ?? ''] ?? {}).filter(([, told]) => told !== undefined);
    return { ...each, ...Object.fromEntries(own), ...(own.length > 0 ? { atDoor: true } : {}) };
  });
  add({ ...run, members });
}

/** What the client said at the door. */
type Said = Pick<Member, 'soreness' | 'pain_before' | 'pain_kind'>;

/** Puts a planned session on the floor of this device. */
export async function startRun(client: string, week: number, session: number) {
  await put(
    await answer(api.GET('/clients/{client}/floor/{week}/{session}', { params: { path: { client, week, session } } })),
  );
}

/** Puts a session on the floor as the answers at the door make it. */
export async function startFromDoor(client: string, body: Schemas['DoorRequest']) {
  await put(await answer(api.POST('/clients/{client}/door/floor', { params: { path: { client } }, body })), {
    [client]: { soreness: body.soreness, pain_before: body.pain, pain_kind: body.pain_kind },
  });
}

/** Puts a group on the floor of this device, on one clock. */
export async function runGroup(body: Schemas['GroupRequest']) {
  const said = Object.entries(body.said ?? {}).map(
    ([client, { soreness, pain, pain_kind }]) => [client, { soreness, pain_before: pain, pain_kind }] as const,
  );
  await put(await answer(api.POST('/group/floor', { body })), Object.fromEntries(said));
}

/** Writes down that somebody of a group does not train today, for what they said on arrival. */
export async function writeStop(body: Schemas['GroupRequest'], client: string) {
  const plan = await answer(api.POST('/group/floor', { body: { ...body, clients: [client], said: {} } }));
  const { pain, pain_kind, soreness } = body.said?.[client] ?? {};
  await answer(
    api.POST('/clients/{client}/logs', {
      params: { path: { client } },
      body: {
        key: newKey(),
        on: today(),
        ...(soreness === undefined ? {} : { soreness }),
        ...(pain === undefined ? {} : { pain_before: pain }),
        ...(pain_kind === undefined ? {} : { pain_kind }),
        sets: plan.sets.map(({ rung, side, target, asked }) => ({ rung, side, target, ...asked, done: 0 })),
      },
    }),
  );
}
