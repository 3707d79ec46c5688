import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { useClientId } from '../../parts/board/useBoard';

/** The programs of a client, the newest first; of the client in the address where none is named. */
export function usePrograms(of?: string) {
  const own = useClientId();
  const client = of ?? own;
  return useQuery({
    queryKey: ['programs', client],
    queryFn: () => answer(api.GET('/clients/{client}/programs', { params: { path: { client } } })),
    enabled: client !== '',
  });
}
