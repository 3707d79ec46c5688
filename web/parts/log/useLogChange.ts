import { useQueryClient } from '@tanstack/react-query';
import { useClientId } from '../board/useBoard';

/** A change of the log or an answer: the page, the board and the program are read anew. */
export function useLogChange() {
  const client = useClientId();
  const queries = useQueryClient();
  return () => {
    for (const key of ['logs', 'board', 'week', 'program', 'audit', 'evenness', 'road'])
      void queries.invalidateQueries({ queryKey: [key, client] });
    void queries.invalidateQueries({ queryKey: ['clients'] });
  };
}
