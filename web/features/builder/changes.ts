import { answer, api, type Schemas } from '../../api/client';
import type { BoardChange } from '../../parts/board/useBoard';

/** @param place of the session in its week, from 1; null puts it behind the others */
export function saveSession(
  week: number,
  place: number | null,
  session: Schemas['SessionSaveRequest']['session'],
  insist?: string,
): BoardChange {
  return {
    name: 'Your session',
    send: (client, version) =>
      answer(
        api.POST('/clients/{client}/sessions', {
          params: { path: { client } },
          body: {
            version,
            week,
            session,
            ...(place === null ? {} : { place }),
            ...(insist === undefined ? {} : { insist }),
          },
        }),
      ),
  };
}
