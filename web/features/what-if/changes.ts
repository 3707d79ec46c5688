import { answer, api } from '../../api/client';
import type { BoardChange } from '../../parts/board/useBoard';

export function followStyle(style: string): BoardChange {
  return {
    name: 'Your house style',
    send: (client, version) =>
      answer(api.POST('/clients/{client}/style', { params: { path: { client } }, body: { version, style } })),
  };
}
