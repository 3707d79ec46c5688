import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** The house styles, shipped and of the studio's own, and the questions they answer. */
export function useStyles() {
  return useQuery({ queryKey: ['styles'], queryFn: () => answer(api.GET('/styles')), staleTime: Infinity });
}
