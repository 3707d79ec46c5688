import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

/** Today's session as the answers make it; nothing is stored. */
export function useSessionAsAsked(
  client: string,
  version: number | undefined,
  body: Schemas['DoorRequest'],
  wanted: boolean,
) {
  return useQuery({
    queryKey: ['door', client, version, body],
    queryFn: () => answer(api.POST('/clients/{client}/door/check', { params: { path: { client } }, body })),
    enabled: wanted,
    placeholderData: (before) => before,
    retry: false,
  });
}
