import { answer, api } from '../../api/client';
import type { BoardChange } from '../../parts/board/useBoard';

/** Lets the client stand on another rung, with a word why where there is one. */
export function moveRung(rung: string, step: number, note: string): BoardChange {
  return {
    name: 'Your move',
    about: (newer) =>
      newer.ladders.flatMap((ladder) => ladder.rungs).find((each) => each.id === rung)?.name ?? 'nothing',
    send: (client, version) =>
      answer(
        api.POST('/clients/{client}/moves', {
          params: { path: { client } },
          body: { version, rung, step, ...(note.trim() === '' ? {} : { note: note.trim() }) },
        }),
      ),
  };
}

/** Keeps which ladders the client uses; null for all of the house style. */
export function chooseLadders(ladders: string[] | null): BoardChange {
  return {
    name: 'Your choice of ladders',
    send: (client, version) =>
      answer(
        api.POST('/clients/{client}/ladders', {
          params: { path: { client } },
          body: { version, ...(ladders === null ? {} : { ladders }) },
        }),
      ),
  };
}
