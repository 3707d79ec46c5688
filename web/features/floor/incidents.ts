import { answer, api, ApiError, type Schemas } from '../../api/client';
import { draftKey } from '../../app/device';

type Incident = Schemas['IncidentRequest'];

/** What the server lacks yet; on the device until it has it. */
function waiting(): Incident[] {
  try {
    return JSON.parse(localStorage.getItem(draftKey('incidents')) ?? '[]') as Incident[];
  } catch {
    return [];
  }
}

function keep(all: Incident[]) {
  if (all.length === 0) localStorage.removeItem(draftKey('incidents'));
  else localStorage.setItem(draftKey('incidents'), JSON.stringify(all));
}

let busy = false;

/** Sends what waits, one line after the other; what the server will never take goes, what it cannot take now stays. */
export async function sendIncidents() {
  if (busy) return;
  busy = true;
  try {
    for (let next = waiting()[0]; next !== undefined; next = waiting()[0]) {
      try {
        await answer(api.POST('/incidents', { body: next }));
      } catch (error) {
        if (!(error instanceof ApiError) || ![404, 422].includes(error.problem.status)) return;
      }
      keep(waiting().slice(1));
    }
  } finally {
    busy = false;
  }
}

/** Writes a line about something that was wrong: on the device first, then into the studio's record. */
export function writeIncident(what: Omit<Incident, 'at'>) {
  const now = new Date();
  const local = new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
  keep([...waiting(), { at: local, ...what }]);
  void sendIncidents();
}

window.addEventListener('online', () => void sendIncidents());
