import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

/** The screen of a client, and what lifts what stands in the way. */
export function useScreen(client: string) {
  return useQuery({
    queryKey: ['screen', client],
    queryFn: () => answer(api.GET('/clients/{client}/screen', { params: { path: { client } } })),
  });
}

/** The client’s document. */
export function useClientDocument(client: string) {
  return useQuery({
    queryKey: ['client', client],
    queryFn: () => answer(api.GET('/clients/{client}', { params: { path: { client } } })),
  });
}
