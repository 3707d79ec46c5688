import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

/** The circuit of a group as it is put together. */
export function useGroupPlan(body: Schemas['GroupRequest'], wanted: boolean) {
  return useQuery({
    queryKey: ['group', body],
    queryFn: () => answer(api.POST('/group', { body })),
    enabled: wanted,
    placeholderData: (before) => before,
    retry: false,
  });
}
