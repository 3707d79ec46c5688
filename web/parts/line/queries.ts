import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import type { View } from './marks';
import { lineOf } from './marks';
import type { Place } from './find';

export type Judged = Schemas['JudgedLinePage'];
export type KeptLine = Schemas['KeptLine'];
export type Watched = Schemas['WatchedLine'];

/** Lines and pictures of a client that are kept, and who lets them be. */
export function useLines(client: string | undefined) {
  return useQuery({
    queryKey: ['lines', client],
    queryFn: () => answer(api.GET('/clients/{client}/lines', { params: { path: { client: client ?? '' } } })),
    enabled: client !== undefined,
  });
}

/** What the marked places come to; the last answer stays while they are moved. */
export function useJudged(rung: string, view: View, places: readonly Place[], complete: boolean) {
  return useQuery({
    queryKey: ['line', rung, view, places],
    queryFn: () => answer(api.POST('/lines/judge', { body: { line: lineOf(rung, view, places) } })),
    enabled: complete,
    placeholderData: (before) => before,
    gcTime: 0,
  });
}

/** The studio's own camera, where it has one. */
export function useStudioCamera() {
  return useQuery({ queryKey: ['camera'], queryFn: () => answer(api.GET('/camera')), staleTime: Infinity });
}

/** A change of what is kept of a client's lines. */
export type LinesChange = (client: string) => Promise<Schemas['Lines']>;

export function useLinesChange(client: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (change: LinesChange) => change(client),
    onSuccess: (lines) => {
      queries.setQueryData(['lines', client], lines);
    },
  });
}
