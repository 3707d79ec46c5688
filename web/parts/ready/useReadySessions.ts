import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** The patterns of ready sessions; they never change while the page is open. */
export function useReadySessions() {
  return useQuery({ queryKey: ['ready'], queryFn: () => answer(api.GET('/ready')), staleTime: Infinity });
}
