import { answer, api } from '../../api/client';
import type { BoardChange } from '../../parts/board/useBoard';

/** Makes a rung an aim of the client, or no longer. */
export function aimAt(rung: string, wanted: boolean): BoardChange {
  return {
    name: 'Your aim',
    send: (client, version) =>
      answer(api.POST('/clients/{client}/aims', { params: { path: { client } }, body: { version, rung, wanted } })),
  };
}
