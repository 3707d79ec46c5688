import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { useBoard } from '../../parts/board/useBoard';

export type Progress = Schemas['Progress'];
export type Months = Progress['months'];

/** What became of a client over so many months. */
export function useProgress(client: string, months: Months) {
  const version = useBoard().data?.version;
  return useQuery({
    queryKey: ['progress', client, months, version],
    queryFn: () => answer(api.GET('/clients/{client}/progress', { params: { path: { client }, query: { months } } })),
    enabled: version !== undefined,
    placeholderData: (before) => before,
  });
}
