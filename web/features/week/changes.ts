import { answer, api, type Schemas } from '../../api/client';
import type { BoardChange } from '../../parts/board/useBoard';

/** Where an entry stands: week, session, block and entry. */
export interface Place {
  week: number;
  session: number;
  block: number;
  entry: number;
}

/** @param sure the dose is far from usual, and meant */
export function changeDose(place: Place, dose: string, sure: boolean): BoardChange {
  return {
    name: 'Your change of a dose',
    about: () => dose,
    send: (client, version) =>
      answer(
        api.POST('/clients/{client}/doses', {
          params: { path: { client } },
          body: { version, ...place, dose, ...(sure ? { sure } : {}) },
        }),
      ),
  };
}

export function swapExercise(place: Place, rung: string): BoardChange {
  return {
    name: 'Your swap',
    send: (client, version) =>
      answer(api.POST('/clients/{client}/swaps', { params: { path: { client } }, body: { version, ...place, rung } })),
  };
}

export function letSessionGo(week: number, place: number): BoardChange {
  return {
    name: 'Letting a session go',
    send: (client, version) =>
      answer(
        api.POST('/clients/{client}/sessions/let-go', {
          params: { path: { client } },
          body: { version, week, place },
        }),
      ),
  };
}

export function removeSession(week: number, place: number): BoardChange {
  return {
    name: 'Taking out a session',
    send: (client, version) =>
      answer(
        api.POST('/clients/{client}/sessions/remove', {
          params: { path: { client } },
          body: { version, week, place },
        }),
      ),
  };
}

export function moveSession(
  week: number,
  place: number,
  to: Pick<Schemas['SessionMoveRequest'], 'day' | 'week_later'>,
): BoardChange {
  return {
    name: 'Your move of a session',
    send: (client, version) =>
      answer(
        api.POST('/clients/{client}/sessions/move', {
          params: { path: { client } },
          body: { version, week, place, ...to },
        }),
      ),
  };
}

export function missSession(week: number, place: number, missed: boolean): BoardChange {
  return {
    name: 'Your word on a missed session',
    send: (client, version) =>
      answer(
        api.POST('/clients/{client}/sessions/missed', {
          params: { path: { client } },
          body: { version, week, place, missed },
        }),
      ),
  };
}

export function mendAll(): BoardChange {
  return {
    name: 'Mending all',
    send: (client, version) =>
      answer(api.POST('/clients/{client}/mend-all', { params: { path: { client } }, body: { version } })),
  };
}

export function mendFinding(rule: string, where: string): BoardChange {
  return {
    name: 'Your fix',
    send: (client, version) =>
      answer(api.POST('/clients/{client}/mend', { params: { path: { client } }, body: { version, rule, where } })),
  };
}
