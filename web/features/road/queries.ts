import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** The way to a rung. */
export function useRoad(client: string, rung: string, version: number | undefined) {
  return useQuery({
    queryKey: ['road', client, rung, version],
    queryFn: () => answer(api.GET('/clients/{client}/road/{rung}', { params: { path: { client, rung } } })),
    placeholderData: (before) => before,
  });
}
