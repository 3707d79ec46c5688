import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { warm } from './warm';

/** What tells that somebody is about to follow a link. */
const INTENTS = ['pointerover', 'focusin', 'touchstart'] as const;

/** Loads the page of a link, and what it shows, while the finger is still on its way. */
export function useAhead(): void {
  const queries = useQueryClient();
  useEffect(() => {
    const intend = (event: Event) => {
      const link = event.target instanceof Element ? event.target.closest<HTMLAnchorElement>('a[href^="/"]') : null;
      if (link !== null) warm(queries, link.pathname);
    };
    for (const intent of INTENTS) document.addEventListener(intent, intend, { passive: true });
    return () => {
      for (const intent of INTENTS) document.removeEventListener(intent, intend);
    };
  }, [queries]);
}
