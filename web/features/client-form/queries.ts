import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** The client as it is stored; none while a new one is written. */
export function useSavedClient(client: string | undefined) {
  return useQuery({
    queryKey: ['client', client],
    queryFn: () => answer(api.GET('/clients/{client}', { params: { path: { client: client ?? '' } } })),
    enabled: client !== undefined,
  });
}
