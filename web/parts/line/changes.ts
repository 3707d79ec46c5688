import { answer, api, type Schemas } from '../../api/client';
import { patienceMs } from './camera';
import type { LinesChange } from './queries';

export function keepLine(body: Schemas['KeepLineRequest']): LinesChange {
  return (client) => answer(api.POST('/clients/{client}/lines', { params: { path: { client } }, body }));
}

export function removeLine(line: number): LinesChange {
  return (client) =>
    answer(api.POST('/clients/{client}/lines/{line}/remove', { params: { path: { client, line: String(line) } } }));
}

/** Somebody who may lets pictures and lines be kept. */
export function allowLines(body: Schemas['LineConsentRequest']): LinesChange {
  return (client) => answer(api.POST('/clients/{client}/lines/consent', { params: { path: { client } }, body }));
}

/** Ends that, and takes away everything that was kept. */
export function withdrawLines(): LinesChange {
  return (client) => answer(api.POST('/clients/{client}/lines/consent/withdraw', { params: { path: { client } } }));
}

/** Samples of a live line. */
export function watchLine(body: Schemas['WatchRequest']) {
  return answer(api.POST('/lines/watch', { body, signal: AbortSignal.timeout(patienceMs) }));
}

/** Only the simulated camera: what it films from its beginning. */
export function playCamera(rung: string, play: Schemas['CameraPlayRequest']['play']) {
  return answer(api.POST('/camera', { body: { rung, play } }));
}
