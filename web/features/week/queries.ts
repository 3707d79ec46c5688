import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import type { Board } from '../../parts/board/useBoard';

/** The next day that takes a missed session, or what the week loses. */
export function useMissedOffer(client: string, version: number, week: number, place: number) {
  return useQuery({
    queryKey: ['missed', client, version, week, place],
    queryFn: () =>
      answer(
        api.POST('/clients/{client}/sessions/missed/check', {
          params: { path: { client } },
          body: { version, week, place },
        }),
      ),
  });
}

/** What the audit finds in the program in use. */
export function useAuditOfProgram(client: string, board: Board | undefined) {
  return useQuery({
    queryKey: ['audit', client, board?.version],
    queryFn: () => answer(api.GET('/clients/{client}/audit', { params: { path: { client } } })),
    enabled: board?.week !== undefined && board.week !== null,
    placeholderData: (before) => before,
  });
}

/** What mending all would do. */
export function useWouldMend(client: string, board: Board | undefined, wanted: boolean) {
  return useQuery({
    queryKey: ['mend-all', client, board?.version],
    queryFn: () => answer(api.GET('/clients/{client}/mend-all', { params: { path: { client } } })),
    enabled: wanted,
  });
}

/** What may stand in the place of an exercise, sparing a few joints more. */
export function useSwaps(client: string, rung: string, spare: string[]) {
  return useQuery({
    queryKey: ['swaps', client, rung, spare],
    queryFn: () =>
      answer(
        api.GET('/clients/{client}/swaps/{rung}', {
          params: { path: { client, rung }, query: spare.length === 0 ? {} : { spare: spare.join(',') } },
        }),
      ),
    placeholderData: (before) => before,
  });
}
