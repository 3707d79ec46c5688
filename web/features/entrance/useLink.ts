import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { answer, api } from '../../api/client';

/** The link that led here, and what it is for. */
export function useLink() {
  const token = useParams().token ?? '';
  const purpose = useQuery({
    queryKey: ['link', token],
    queryFn: () => answer(api.POST('/links/look', { body: { token } })),
    staleTime: Infinity,
  });
  return { token, purpose };
}
