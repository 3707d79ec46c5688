import { answer, api } from '../../api/client';
import type { BoardChange } from '../board/useBoard';

export function planAnew(): BoardChange {
  return {
    name: 'Your new plan',
    send: (client, version) =>
      answer(api.POST('/clients/{client}/plan', { params: { path: { client } }, body: { version } })),
  };
}

export function keepProgram(): BoardChange {
  return {
    name: 'Keeping the program',
    send: (client, version) =>
      answer(api.POST('/clients/{client}/plan/keep', { params: { path: { client } }, body: { version } })),
  };
}
