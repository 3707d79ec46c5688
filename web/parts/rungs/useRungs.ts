import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { readFigures } from './figures';

export type RungBrief = Schemas['RungBrief'];

export interface Wanted {
  q?: string;
  direction?: string;
  least?: string;
  most?: string;
  position?: string;
  kit?: string;
  spare?: string;
  intent?: string;
}

/** The rungs that fit what is wanted, best first. */
export function useRungs(wanted: Wanted, enabled = true) {
  return useQuery({
    queryKey: ['rungs', wanted],
    queryFn: () => answer(api.GET('/rungs', { params: { query: wanted } })),
    placeholderData: keepPreviousData,
    enabled,
  });
}

/** The still picture of every rung. */
export function useFigures(): Record<string, Schemas['Drawing']> {
  const figures = useQuery({ queryKey: ['figures'], queryFn: readFigures, staleTime: Infinity });
  return figures.data ?? {};
}

/** Everything the library says of one rung. */
export function useRung(rung: string) {
  return useQuery({
    queryKey: ['rung', rung],
    queryFn: () => answer(api.GET('/rungs/{rung}', { params: { path: { rung } } })),
  });
}

/** To be called when ladders or words of the studio's own have changed. */
export function useLibraryChanged(): () => void {
  const queries = useQueryClient();
  return () => {
    for (const key of [
      'library',
      'figures',
      'rungs',
      'rung',
      'ladders',
      'ladder',
      'board',
      'clients',
      'road',
      'swaps',
      'words',
      'built',
    ]) {
      void queries.invalidateQueries({ queryKey: [key] });
    }
  };
}

/** Keeps a name as the studio's own word for an exercise. */
export function useTeach(onTaught?: () => void) {
  const changed = useLibraryChanged();
  return useMutation({
    mutationFn: (word: { words: string; rung: string }) => answer(api.POST('/words', { body: word })),
    onSuccess: () => {
      changed();
      onTaught?.();
    },
  });
}
