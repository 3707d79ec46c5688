import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** The sessions of a week, to be put on the floor. */
export function useWeekToRun(client: string, week: string, wanted: boolean) {
  return useQuery({
    queryKey: ['floor-week', client, week],
    queryFn: () =>
      answer(
        api.GET('/clients/{client}/programs/{program}/weeks/{week}', {
          params: { path: { client, program: 'current', week: Number(week) } },
        }),
      ),
    enabled: wanted,
    retry: false,
  });
}
