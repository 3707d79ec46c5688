import { answer, api, type Schemas } from '../../api/client';
import type { BoardChange } from '../../parts/board/useBoard';

export function beginProgram(
  weeks: number,
  calendar: Pick<Schemas['NewProgramRequest'], 'away' | 'matches' | 'wished'>,
): BoardChange {
  return {
    name: 'Your new program',
    send: (client, version) =>
      answer(
        api.POST('/clients/{client}/programs', { params: { path: { client } }, body: { version, weeks, ...calendar } }),
      ),
  };
}

export function datesOfProgram(began: string, shifts: Schemas['ProgramShift'][]): BoardChange {
  return {
    name: 'Your days of the program',
    send: (client, version) =>
      answer(api.POST('/clients/{client}/dates', { params: { path: { client } }, body: { version, began, shifts } })),
  };
}

export function nameProgram(program: string, name: string): BoardChange {
  return {
    name: 'Your name of a program',
    send: (client, version) =>
      answer(
        api.POST('/clients/{client}/programs/{program}/name', {
          params: { path: { client, program } },
          body: { version, name },
        }),
      ),
  };
}

export function openProgram(program: string): BoardChange {
  return {
    name: 'Your choice of program',
    send: (client, version) =>
      answer(
        api.POST('/clients/{client}/programs/{program}/open', {
          params: { path: { client, program } },
          body: { version },
        }),
      ),
  };
}

export function copyProgram(from: string, program: string): BoardChange {
  return {
    name: 'Your copied program',
    send: (client, version) =>
      answer(api.POST('/clients/{client}/copy', { params: { path: { client } }, body: { version, from, program } })),
  };
}
