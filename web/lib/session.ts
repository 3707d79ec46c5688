import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/client';
import { writeAs } from './dates';
import { belongsTo } from './device';
import { measureIn } from './units';

type Role = Schemas['Role'];

const ranks: Record<Role, number> = { owner: 2, trainer: 1, reader: 0 };

/** Who is signed in. */
export function useMe() {
  const me = useQuery({ queryKey: ['me'], queryFn: () => answer(api.GET('/me')), staleTime: Infinity });
  if (me.data !== undefined) {
    writeAs(me.data.settings);
    measureIn(me.data.settings.units);
    belongsTo(me.data);
  }
  return me;
}

/** Whether whoever is signed in may do as much as this role. */
export function useMay(least: Role): boolean {
  const role = useMe().data?.role;
  return role !== undefined && ranks[role] >= ranks[least];
}
