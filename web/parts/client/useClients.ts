import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { answer, api } from '../../api/client';

/** Rows that are worked out while one waits are looked for so often. */
const behindEveryMs = 500;

/** The clients whom the reader may see, those first who need the trainer. */
export function useClients() {
  return useQuery({
    queryKey: ['clients'],
    queryFn: () => answer(api.GET('/clients')),
    refetchInterval: (query) => ((query.state.data?.behind ?? 0) > 0 ? behindEveryMs : false),
  });
}

/** Those whom the address asks for, as the list of clients sends them. */
export function useAsked(): string[] {
  const [search] = useSearchParams();
  return (search.get('of') ?? '').split(',').filter((id) => id !== '');
}
