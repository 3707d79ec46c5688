import { answer, api, type Schemas } from '../../api/client';
import type { BoardChange } from '../../parts/board/useBoard';

/** @param wishes the minutes and limits that the week was shown with */
export function followStyle(style: string, wishes: Pick<Schemas['StyleRequest'], 'days' | 'limits'>): BoardChange {
  return {
    name: 'Your house style',
    send: (client, version) =>
      answer(
        api.POST('/clients/{client}/style', { params: { path: { client } }, body: { version, style, ...wishes } }),
      ),
  };
}
