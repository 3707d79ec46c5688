import type { QueryClient } from '@tanstack/react-query';
import { answer, api } from '../api/client';
import { readFigures } from '../parts/rungs/figures';
import { ahead } from './pieces';

/** Pages of a client that show the library's words beside the board. */
const WITH_LIBRARY = ['wall', 'week', 'tests', 'log'];

/** Pages that show many figures at once. */
const WITH_FIGURES = ['wall', 'library', 'road'];

/** Loads the script of a page and asks for what it shows, all at once, before it is drawn. */
export function warm(queries: QueryClient, path: string): void {
  ahead(path);
  const [first = '', client = '', last = ''] = path.split('/').slice(1);
  const isOfClient = first === 'clients' && last !== '' && last !== 'edit';
  if (isOfClient) {
    void queries.prefetchQuery({
      queryKey: ['board', client],
      queryFn: () => answer(api.GET('/clients/{client}/board', { params: { path: { client } } })),
    });
  }
  const page = isOfClient ? last : first;
  if (WITH_LIBRARY.includes(page) || page === 'library') {
    void queries.prefetchQuery({
      queryKey: ['library'],
      queryFn: () => answer(api.GET('/library')),
      staleTime: Infinity,
    });
  }
  if (WITH_FIGURES.includes(page)) {
    void queries.prefetchQuery({ queryKey: ['figures'], queryFn: readFigures, staleTime: Infinity });
  }
}
