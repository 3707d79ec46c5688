import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { MemoryRouter, Route, Routes } from 'react-router';

/** Shows a piece of the interface in an element, apart from its page. */
export function mount(element: HTMLElement, piece: ReactNode) {
  createRoot(element).render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MemoryRouter initialEntries={['/clients/apart']}>
        <Routes>
          <Route path="/clients/:client" element={piece} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}
