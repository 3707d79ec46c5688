import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** The test days of a client. */
export function useTestDays(client: string) {
  return useQuery({
    queryKey: ['tests', client],
    queryFn: () => answer(api.GET('/clients/{client}/tests', { params: { path: { client } } })),
  });
}
