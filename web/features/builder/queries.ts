import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** The session of the program that is opened in the builder. */
export function useSessionFound(client: string, week: number, place: number | null) {
  return useQuery({
    queryKey: ['session', client, week, place],
    queryFn: () =>
      answer(
        api.GET('/clients/{client}/sessions/{week}/{session}', {
          params: { path: { client, week, session: place ?? 1 } },
        }),
      ),
    enabled: client !== '' && place !== null,
    staleTime: 0,
    gcTime: 0,
  });
}

/** Sessions kept as templates. */
export function useTemplates() {
  return useQuery({ queryKey: ['templates'], queryFn: () => answer(api.GET('/templates')) });
}
