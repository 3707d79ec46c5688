import { answer, api } from '../../api/client';
import { withChanges, type BoardChange, type BoardLadder } from '../../parts/board/useBoard';

function stoodOn(ladder: BoardLadder, rung: string, step: number): BoardLadder {
  const dose = ladder.rungs.find((each) => each.id === rung)?.steps[step];
  if (dose === undefined) return ladder;
  const basis = ladder.standing?.basis ?? 'highest-clean';
  return { ...ladder, standing: { rung, step, basis, dose, range: null, last_load: null } };
}

/** Lets the client stand on another rung, with a word why where there is one. */
export function moveRung(rung: string, step: number, note: string): BoardChange {
  return {
    name: 'Your move',
    about: (newer) =>
      newer.ladders.flatMap((ladder) => ladder.rungs).find((each) => each.id === rung)?.name ?? 'nothing',
    foresee: (board) => ({ ...board, ladders: board.ladders.map((ladder) => stoodOn(ladder, rung, step)) }),
    send: async (client, version, known) => {
      const moved = await answer(
        api.POST('/clients/{client}/moves', {
          params: { path: { client } },
          body: {
            version,
            rung,
            step,
            changes_only: known !== undefined,
            ...(note.trim() === '' ? {} : { note: note.trim() }),
          },
        }),
      );
      if (!('since' in moved)) return moved;
      if (known === undefined) throw new Error('There is no board that these changes are of.');
      return withChanges(known, moved);
    },
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
