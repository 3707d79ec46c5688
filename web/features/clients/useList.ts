import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { matching } from '../../lib/matching';

type Row = Schemas['ClientRow'];

export const orders = [
  ['need', 'who needs you first'],
  ['name', 'by name'],
  ['even', 'the most uneven first'],
] as const;

export const filters = [
  ['', 'all of them'],
  ['needs', 'who need you'],
  ['stopped', 'stopped or to be referred'],
  ['unplanned', 'without a week'],
  ['sore', 'with a limit'],
] as const;

const shows: Record<string, (row: Row) => boolean> = {
  needs: (row) => row.needs.length > 0,
  stopped: (row) => row.stop !== null || row.refer !== null,
  unplanned: (row) => row.sessions === 0,
  sore: (row) => row.limits.length > 0,
};

/** The rows that are asked for, in their order; what is asked for stands in the address. */
export function useList(rows: readonly Row[]) {
  const [search, setSearch] = useSearchParams();
  // what is typed is ahead of the address
  const [typed, setTyped] = useState(search.get('find') ?? '');
  const order = search.get('order') ?? 'need';
  const filter = search.get('only') ?? '';
  const set = (name: string, value: string) => {
    if (name === 'find') setTyped(value);
    setSearch(
      (before) => {
        if (value === '' || value === 'need') before.delete(name);
        else before.set(name, value);
        return before;
      },
      { replace: true },
    );
  };
  const shown = rows
    .filter((row) => shows[filter]?.(row) ?? true)
    .filter((row) => matching(typed, `${row.name} ${row.goal} ${row.limits.join(' ')}`) !== null);
  if (order === 'name') shown.sort((a, b) => a.name.localeCompare(b.name));
  if (order === 'even') shown.sort((a, b) => (b.spread ?? -1) - (a.spread ?? -1));
  return { shown, typed, order, filter, set };
}
