import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { useLocation } from 'react-router';
import type { Schemas } from '../api/client';
import { pageName } from '../lib/pages';

/** Where the focus goes when a page has changed, unless somebody holds it there already. */
const PAGE = '[data-page], #main';

/** Names the page and whose it is in the title, says so to who does not see it, and puts the focus there. */
export function useTold(): string {
  const { pathname } = useLocation();
  const queries = useQueryClient();
  const first = useRef(true);
  const id = /^\/clients\/([^/]+)\//.exec(pathname)?.[1];
  const page = pageName(pathname);
  const [said, setSaid] = useState('');

  const whose = useSyncExternalStore(
    (changed) => queries.getQueryCache().subscribe(changed),
    () => {
      const board = id === undefined ? undefined : queries.getQueryData<Schemas['Board']>(['board', id]);
      const rows = queries.getQueryData<Schemas['ClientList']>(['clients']);
      return board?.client.name ?? rows?.clients.find((client) => client.id === id)?.name;
    },
  );

  const name = whose === undefined ? page : `${page}, ${whose}`;
  useEffect(() => {
    document.title = `${name} – Even Rungs`;
  }, [name]);

  useEffect(() => {
    if (first.current) {
      first.current = false;
      return;
    }
    setSaid(page);
    const target = [...document.querySelectorAll<HTMLElement>(PAGE)].pop();
    const held = document.activeElement;
    // who goes from page to page of a client stays at the links
    const isHeld = held?.closest('[data-page], nav[aria-label="Pages of the client"]') != null;
    if (target !== undefined && !isHeld) {
      target.focus({ preventScroll: true });
    }
  }, [pathname, page]);

  return said === '' ? '' : name;
}
