import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { useBoard, useClientId, useInTurn } from '../board/useBoard';

export type Evenness = Schemas['Evenness'];

/** How even the client in the address is, with their own aims. */
export function useEvenness() {
  const client = useClientId();
  const version = useBoard().data?.version;
  return useQuery({
    queryKey: ['evenness', client, version],
    queryFn: () => answer(api.GET('/clients/{client}/evenness', { params: { path: { client } } })),
    enabled: version !== undefined,
    placeholderData: (before) => before,
  });
}

type Change =
  | { do: 'extra-set'; ladder: string }
  | { do: 'hold'; category: string }
  | { do: 'let-go'; choice: number }
  | { do: 'aim'; words: string }
  | { do: 'score'; aim: number; score: number; on: string }
  | { do: 'end'; aim: number };

function send(client: string, version: number, change: Change): Promise<Evenness> {
  const path = { client };
  switch (change.do) {
    case 'extra-set':
      return answer(
        api.POST('/clients/{client}/evenness', {
          params: { path },
          body: { version, kind: 'extra-set', ladder: change.ladder },
        }),
      );
    case 'hold':
      return answer(
        api.POST('/clients/{client}/evenness', {
          params: { path },
          body: { version, kind: 'hold', category: change.category },
        }),
      );
    case 'let-go':
      return answer(
        api.POST('/clients/{client}/evenness/{choice}/end', {
          params: { path: { client, choice: change.choice } },
          body: { version },
        }),
      );
    case 'aim':
      return answer(api.POST('/clients/{client}/own-aims', { params: { path }, body: { words: change.words } }));
    case 'score':
      return answer(
        api.POST('/clients/{client}/own-aims/{aim}', {
          params: { path: { client, aim: change.aim } },
          body: { score: change.score, on: change.on },
        }),
      );
    case 'end':
      return answer(
        api.POST('/clients/{client}/own-aims/{aim}', {
          params: { path: { client, aim: change.aim } },
          body: { ended: true },
        }),
      );
  }
}

/** What evens the client out goes into the plan and leaves it; their own aims are written down, scored and ended. */
export function useEvennessChange() {
  const client = useClientId();
  const turn = useInTurn();
  const queries = useQueryClient();
  return useMutation({
    scope: turn.scope,
    mutationFn: (change: Change) => send(client, turn.version(), change),
    onSettled: async () => {
      await turn.settled();
      for (const key of ['evenness', 'week', 'program', 'logs'])
        void queries.invalidateQueries({ queryKey: [key, client] });
    },
  });
}
