import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** What the week would take with the client on a rung. */
export function useMinutesOn(client: string, rung: string, weekTotal: string | null, wanted: boolean) {
  return useQuery({
    queryKey: ['minutes', client, rung, weekTotal],
    queryFn: () => answer(api.GET('/clients/{client}/minutes/{rung}', { params: { path: { client, rung } } })),
    enabled: wanted,
  });
}
