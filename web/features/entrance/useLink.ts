import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';

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

/** Goes on as whoever a link has just let in; nothing of anybody before stays in memory. */
export function useEnter() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return async (me: Schemas['Me']) => {
    queries.clear();
    queries.setQueryData(['me'], me);
    await navigate('/clients', { replace: true });
  };
}
