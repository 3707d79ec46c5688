import './app/font.css';
import './app/style.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { App } from './app/App';
import { warm } from './app/warm';
import { ApiError, watchWrites } from './api/client';
import { applyReadings } from './lib/reading';

// the lock on scrolling behind a dialog is a style element of its own, which must carry the page's nonce
Object.assign(globalThis, {
  __webpack_nonce__: document.querySelector<HTMLMetaElement>('meta[name="style-nonce"]')?.content,
});

applyReadings();

const FRESH_MS = 3000;

/** What the server says when too much is asked of it at once. */
const BUSY = 503;

/** What no write but one of its own changes. */
function isForGood(key: readonly unknown[]): boolean {
  return ['me', 'library', 'figures'].includes(String(key[0]));
}

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // who was told to come again comes again; every other refusal stands
      retry: (count, error) =>
        count < 2 && !(error instanceof ApiError && error.problem.status >= 400 && error.problem.status !== BUSY),
      refetchOnWindowFocus: false,
      // what a page and its frame both show is asked for once, unless something was written in between
      staleTime: FRESH_MS,
      // without a network the service worker answers with what was kept
      networkMode: 'always',
    },
    // what cannot be sent says so at once: nothing is done later that nobody waits for any more
    mutations: { networkMode: 'always' },
  },
});

watchWrites(() => {
  void queries.invalidateQueries({ predicate: (query) => !isForGood(query.queryKey), refetchType: 'none' });
});

warm(queries, location.pathname);

if ('serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js');

const root = document.getElementById('root');
if (root !== null) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}
