import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import type { Rung } from './draft';

/** The base poses of figures. */
export function usePoses() {
  return useQuery({ queryKey: ['poses'], queryFn: () => answer(api.GET('/poses')), staleTime: Infinity });
}

/** A ladder with its history. */
export function useLadderRecord(ladder: string) {
  return useQuery({
    queryKey: ['ladder', ladder],
    queryFn: () => answer(api.GET('/ladders/{ladder}', { params: { path: { ladder } } })),
    enabled: ladder !== 'new',
  });
}

/** A ladder copied into a draft. */
export function useLadderCopy(copied: string | null, ladder: string) {
  return useQuery({
    queryKey: ['ladder-copy', copied],
    queryFn: () => answer(api.GET('/ladders/{ladder}/copy', { params: { path: { ladder: copied ?? '' } } })),
    enabled: ladder === 'new' && copied !== null,
    gcTime: 0,
  });
}

/** A figure drawn while it is written. */
export function useDrawing(figure: Rung['figure']) {
  return useQuery({
    queryKey: ['drawing', figure],
    queryFn: () => answer(api.POST('/figures', { body: { figure } })),
    placeholderData: (before) => before,
    retry: false,
  });
}
