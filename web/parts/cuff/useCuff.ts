import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

const everyMs = 250;

/** What the simulated cuff plays. */
export const cuffPlays = [
  ['steady', 'keeps still'],
  ['losing', 'loses pressure'],
  ['pressing', 'presses too hard'],
] as const;

/** What the pressure cuff reads, while it is watched. */
export function useCuff(watch: boolean) {
  return useQuery({
    queryKey: ['cuff'],
    queryFn: () => answer(api.GET('/cuff')),
    refetchInterval: everyMs,
    enabled: watch,
    structuralSharing: false,
    gcTime: 0,
  });
}

/** Only the simulated cuff: what it plays. */
export function usePlayCuff() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (play: Schemas['CuffPlayRequest']['play']) => answer(api.POST('/cuff', { body: { play } })),
    onSuccess: (reading) => {
      queries.setQueryData(['cuff'], reading);
    },
  });
}
