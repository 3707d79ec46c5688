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

/** A change of what evens the client out, or of their own aims. */
export type EvennessChange = (client: string, version: number) => Promise<Evenness>;

/** What evens the client out goes into the plan and leaves it; their own aims are written down, scored and ended. */
export function useEvennessChange() {
  const client = useClientId();
  const turn = useInTurn();
  const queries = useQueryClient();
  return useMutation({
    scope: turn.scope,
    mutationFn: (change: EvennessChange) => change(client, turn.version()),
    onSettled: async () => {
      await turn.settled();
      for (const key of ['evenness', 'week', 'program', 'logs'])
        void queries.invalidateQueries({ queryKey: [key, client] });
    },
  });
}
