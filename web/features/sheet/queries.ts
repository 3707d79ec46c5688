import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import type { SheetChoice } from './SheetFields';

/** How many pages a sheet has, and how much is left out for that. */
export function useSheet(client: string, version: number | undefined, week: number, choice: SheetChoice) {
  return useQuery({
    queryKey: ['sheet', client, version, week, choice],
    queryFn: () =>
      answer(api.GET('/clients/{client}/sheet', { params: { path: { client }, query: { week, ...choice } } })),
    enabled: version !== undefined,
    placeholderData: (before) => before,
  });
}
