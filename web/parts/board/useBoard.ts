import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';

export type Board = Schemas['Board'];
export type BoardLadder = Schemas['BoardLadder'];
export type BoardRung = Schemas['BoardRung'];

export function useClientId(): string {
  return useParams().client ?? '';
}

/** The board of the client in the address. */
export function useBoard() {
  const client = useClientId();
  return useQuery({
    queryKey: ['board', client],
    queryFn: () => answer(api.GET('/clients/{client}/board', { params: { path: { client } } })),
  });
}

/** Changes of the client in the address go one after the other, each on the version that the one before it made. */
export function useInTurn() {
  const client = useClientId();
  const queries = useQueryClient();
  return {
    scope: { id: client },
    version: () => queries.getQueryData<Board>(['board', client])?.version ?? 1,
    /** to be waited for when a change is done: then the next one begins */
    settled: () => queries.invalidateQueries({ queryKey: ['board', client] }),
  };
}

/** Everything that never changes while the page is open: ladders, words, cues. */
export function useLibrary() {
  return useQuery({ queryKey: ['library'], queryFn: () => answer(api.GET('/library')), staleTime: Infinity });
}

export type BoardCommand =
  | { do: 'move'; rung: string; step: number; note?: string }
  | { do: 'dose'; week: number; session: number; block: number; entry: number; dose: string; sure?: boolean }
  | { do: 'swap'; week: number; session: number; block: number; entry: number; rung: string }
  | { do: 'aim'; rung: string; wanted: boolean }
  | { do: 'use'; ladders: string[] | null }
  | { do: 'follow'; style: string }
  | { do: 'begin'; weeks: number; calendar: Pick<Schemas['NewProgramRequest'], 'away' | 'matches' | 'wished'> }
  | { do: 'session'; week: number; place?: number; session: Schemas['SessionSaveRequest']['session']; insist?: string }
  | { do: 'remove-session'; week: number; place: number }
  | { do: 'move-session'; week: number; place: number; day: Schemas['SessionMoveRequest']['day']; week_later: boolean }
  | { do: 'miss-session'; week: number; place: number; missed: boolean }
  | { do: 'dates'; began: string; shifts: Schemas['ProgramShift'][] }
  | { do: 'mend'; rule: string; where: string }
  | { do: 'open'; program: string }
  | { do: 'copy'; from: string; program: string }
  | { do: 'plan' | 'undo' | 'redo' };

function send(client: string, version: number, command: BoardCommand): Promise<Board> {
  const params = { path: { client } };
  switch (command.do) {
    case 'move':
      return answer(
        api.POST('/clients/{client}/moves', {
          params,
          body: {
            version,
            rung: command.rung,
            step: command.step,
            ...(command.note === undefined || command.note.trim() === '' ? {} : { note: command.note.trim() }),
          },
        }),
      );
    case 'dose': {
      const { week, session, block, entry, dose, sure } = command;
      return answer(
        api.POST('/clients/{client}/doses', {
          params,
          body: { version, week, session, block, entry, dose, ...(sure === true ? { sure } : {}) },
        }),
      );
    }
    case 'swap': {
      const { week, session, block, entry, rung } = command;
      return answer(
        api.POST('/clients/{client}/swaps', { params, body: { version, week, session, block, entry, rung } }),
      );
    }
    case 'aim':
      return answer(
        api.POST('/clients/{client}/aims', { params, body: { version, rung: command.rung, wanted: command.wanted } }),
      );
    case 'use':
      return answer(
        api.POST('/clients/{client}/ladders', {
          params,
          body: { version, ...(command.ladders === null ? {} : { ladders: command.ladders }) },
        }),
      );
    case 'follow':
      return answer(api.POST('/clients/{client}/style', { params, body: { version, style: command.style } }));
    case 'begin':
      return answer(
        api.POST('/clients/{client}/programs', {
          params,
          body: { version, weeks: command.weeks, ...command.calendar },
        }),
      );
    case 'session': {
      const { week, place, session, insist } = command;
      return answer(
        api.POST('/clients/{client}/sessions', {
          params,
          body: {
            version,
            week,
            session,
            ...(place === undefined ? {} : { place }),
            ...(insist === undefined ? {} : { insist }),
          },
        }),
      );
    }
    case 'remove-session':
      return answer(
        api.POST('/clients/{client}/sessions/remove', {
          params,
          body: { version, week: command.week, place: command.place },
        }),
      );
    case 'move-session':
      return answer(
        api.POST('/clients/{client}/sessions/move', {
          params,
          body: {
            version,
            week: command.week,
            place: command.place,
            day: command.day,
            week_later: command.week_later,
          },
        }),
      );
    case 'miss-session': {
      const { week, place, missed } = command;
      return answer(api.POST('/clients/{client}/sessions/missed', { params, body: { version, week, place, missed } }));
    }
    case 'dates':
      return answer(
        api.POST('/clients/{client}/dates', {
          params,
          body: { version, began: command.began, shifts: command.shifts },
        }),
      );
    case 'mend':
      return answer(
        api.POST('/clients/{client}/mend', { params, body: { version, rule: command.rule, where: command.where } }),
      );
    case 'open':
      return answer(
        api.POST('/clients/{client}/programs/{program}/open', {
          params: { path: { client, program: command.program } },
          body: { version },
        }),
      );
    case 'copy':
      return answer(
        api.POST('/clients/{client}/copy', {
          params,
          body: { version, from: command.from, program: command.program },
        }),
      );
    case 'plan':
      return answer(api.POST('/clients/{client}/plan', { params, body: { version } }));
    case 'undo':
      return answer(api.POST('/clients/{client}/undo', { params, body: { version } }));
    case 'redo':
      return answer(api.POST('/clients/{client}/redo', { params, body: { version } }));
  }
}

/** Sends a command for the client in the address; the board it answers with replaces the one on the page. */
export function useBoardCommand() {
  const client = useClientId();
  const queries = useQueryClient();
  return useMutation({
    mutationKey: ['board', client],
    scope: { id: client },
    mutationFn: (command: BoardCommand) => {
      const board = queries.getQueryData<Board>(['board', client]);
      return send(client, board?.version ?? 1, command);
    },
    onSuccess: (board) => {
      queries.setQueryData(['board', client], board);
      void queries.invalidateQueries({ queryKey: ['clients'] });
      void queries.invalidateQueries({ queryKey: ['programs', client] });
    },
  });
}
