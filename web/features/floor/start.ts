import { answer, api, type Schemas } from '../../api/client';
import { today } from '../../app/dates';
import { begin, type Member } from './run';
import { add, alreadyHere, load } from './store';

export function dayOf(iso: string): string {
  return ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'][new Date(`${iso}T12:00:00`).getDay()] ?? '';
}

async function put(plan: Schemas['FloorPlan'], said: Said = {}) {
  await load();
  const here = alreadyHere(plan);
  if (here !== undefined) throw new Error(`${here} is on the floor already: end or throw away that session first.`);
  const run = begin(plan, today());
  const answered = Object.fromEntries(Object.entries(said).filter(([, told]) => told !== undefined));
  const atDoor = Object.keys(answered).length > 0;
  add({ ...run, members: run.members.map((each) => ({ ...each, ...answered, ...(atDoor ? { atDoor } : {}) })) });
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
    soreness: body.soreness,
    pain_before: body.pain,
    pain_kind: body.pain_kind,
  });
}

/** Puts a group on the floor of this device, on one clock. */
export async function runGroup(body: Schemas['GroupRequest']) {
  await put(await answer(api.POST('/group/floor', { body })));
}
