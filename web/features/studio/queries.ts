import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** Who works in the studio, and who is invited. */
export function usePeople() {
  return useQuery({ queryKey: ['people'], queryFn: () => answer(api.GET('/people')) });
}
