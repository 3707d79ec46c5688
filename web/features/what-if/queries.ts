import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

/** The week as wishes would make it; nothing is stored. */
export function useWeekAsWished(
  client: string,
  version: number | undefined,
  wishes: Schemas['WhatIfRequest'],
  wanted: boolean,
) {
  return useQuery({
    queryKey: ['what-if', client, version, wishes],
    queryFn: () => answer(api.POST('/clients/{client}/what-if', { params: { path: { client } }, body: wishes })),
    enabled: wanted,
    placeholderData: (before) => before,
    retry: false,
  });
}
