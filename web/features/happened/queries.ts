import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** Whose client somebody is: every trainer of the studio, and whether the client is theirs. */
export function useTrainersOf(client: string) {
  return useQuery({
    queryKey: ['trainers', client],
    queryFn: () => answer(api.GET('/clients/{client}/trainers', { params: { path: { client } } })),
  });
}
