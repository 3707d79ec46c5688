import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

/** What taking over another client's program would change. */
export function useCopyCheck(client: string, version: number | undefined, from: string, program: string) {
  return useQuery({
    queryKey: ['copy', client, version, from, program],
    queryFn: () =>
      answer(
        api.POST('/clients/{client}/copy/check', {
          params: { path: { client } },
          body: { version: version ?? 1, from, program },
        }),
      ),
    enabled: from !== '' && program !== '',
    retry: false,
  });
}

/** The best use of the days, with what is wished of them. */
export function useBestWeek(
  client: string,
  version: number | undefined,
  { wished, matches }: Pick<Schemas['NewProgramRequest'], 'wished' | 'matches'>,
) {
  return useQuery({
    queryKey: ['best-week', client, version, wished ?? {}, matches],
    queryFn: () =>
      answer(
        api.POST('/clients/{client}/best-week', {
          params: { path: { client } },
          body: { wished: wished ?? {}, matches: (matches ?? []).map((match) => ({ ...match, week: 1 })) },
        }),
      ),
    placeholderData: (before) => before,
  });
}

/** The program in use. */
export function useProgramInUse(client: string, version: number | undefined) {
  return useQuery({
    queryKey: ['program', client, version],
    queryFn: () =>
      answer(api.GET('/clients/{client}/programs/{program}', { params: { path: { client, program: 'current' } } })),
    enabled: version !== undefined,
    placeholderData: (before) => before,
  });
}
