import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { answer, api } from '../api/client';
import { useMay } from '../lib/session';
import { ahead } from './pieces';

/** What tells that somebody is about to follow a link. */
const INTENTS = ['pointerover', 'focusin', 'touchstart'] as const;

/** Loads the page of a link and the board that it shows while the finger is still on its way. */
export function useAhead(): void {
  const queries = useQueryClient();
  const isTrainer = useMay('trainer');
  useEffect(() => {
    const intend = (event: Event) => {
      const link = event.target instanceof Element ? event.target.closest<HTMLAnchorElement>('a[href^="/"]') : null;
      if (link === null) return;
      ahead(link.pathname);
      const client = /^\/clients\/([^/]+)\/(wall|week)$/.exec(link.pathname)?.[1];
      if (client === undefined || !isTrainer) return;
      void queries.prefetchQuery({
        queryKey: ['board', client],
        queryFn: () => answer(api.GET('/clients/{client}/board', { params: { path: { client } } })),
      });
    };
    for (const intent of INTENTS) document.addEventListener(intent, intend, { passive: true });
    return () => {
      for (const intent of INTENTS) document.removeEventListener(intent, intend);
    };
  }, [queries, isTrainer]);
}
