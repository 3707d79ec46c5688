import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** Clients that were put away. */
export function useArchive() {
  return useQuery({ queryKey: ['archive'], queryFn: () => answer(api.GET('/archive')) });
}
