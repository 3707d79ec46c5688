import { answer, api, ApiError, type Schemas } from '../../api/client';
import { draftKey } from '../../lib/device';

/** A line about something that was wrong, or a note. */
type Line = Schemas['IncidentRequest'] | Schemas['NoteRequest'];

/** What the server lacks yet; on the device until it has it. */
function waiting(): Line[] {
  try {
    return JSON.parse(localStorage.getItem(draftKey('incidents')) ?? '[]') as Line[];
  } catch {
    return [];
  }
}

function keep(all: Line[]) {
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
        await ('text' in next
          ? answer(api.POST('/notes', { body: next }))
          : answer(api.POST('/incidents', { body: next })));
      } catch (error) {
        if (!(error instanceof ApiError) || ![404, 422].includes(error.problem.status)) return;
      }
      keep(waiting().slice(1));
    }
  } finally {
    busy = false;
  }
}

/** Day and time on the clock of the device. */
function nowHere(): string {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}

/** Writes a line about something that was wrong: on the device first, then into the studio's record. */
export function writeIncident(what: Omit<Schemas['IncidentRequest'], 'at'>) {
  keep([...waiting(), { at: nowHere(), ...what }]);
  void sendIncidents();
}

/** Writes a note about somebody who trains, likewise. */
export function writeNote(client: string, text: string) {
  keep([...waiting(), { at: nowHere(), client, text }]);
  void sendIncidents();
}

window.addEventListener('online', () => void sendIncidents());
