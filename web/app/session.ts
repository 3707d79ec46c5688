import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../api/client';

/** Who is signed in. */
export function useMe() {
  return useQuery({ queryKey: ['me'], queryFn: () => answer(api.GET('/me')), staleTime: Infinity });
}
