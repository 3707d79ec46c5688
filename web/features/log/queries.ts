import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** The logs of one month. */
export function useLogsOfMonth(client: string, month: string) {
  return useQuery({
    queryKey: ['logs', client, 'month', month],
    queryFn: () => answer(api.GET('/clients/{client}/logs', { params: { path: { client }, query: { month } } })),
    enabled: month !== '',
  });
}

/** One log with everything that was recorded, and who changed it. */
export function useLog(client: string, session: number) {
  return useQuery({
    queryKey: ['log', client, session],
    queryFn: () => answer(api.GET('/clients/{client}/logs/{session}', { params: { path: { client, session } } })),
  });
}

/** The newest logs and the verdicts that follow. */
export function useLogs(client: string, version: number | undefined) {
  return useQuery({
    queryKey: ['logs', client, version],
    queryFn: () => answer(api.GET('/clients/{client}/logs', { params: { path: { client } } })),
    enabled: version !== undefined,
    placeholderData: (before) => before,
  });
}
