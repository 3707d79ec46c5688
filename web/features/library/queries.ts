import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** Which ladders are shipped, changed or the studio’s own. */
export function useLadderKinds() {
  return useQuery({ queryKey: ['ladders'], queryFn: () => answer(api.GET('/ladders')) });
}

/** The studio’s own words for exercises. */
export function useOwnWords() {
  return useQuery({ queryKey: ['words'], queryFn: () => answer(api.GET('/words')) });
}
