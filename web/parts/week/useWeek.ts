import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { answer, api } from '../../api/client';
import { useBoard, useClientId } from '../board/useBoard';

/** The week of the program that the address names; the present one where it names none. */
export function useWeek() {
  const client = useClientId();
  const board = useBoard();
  const [search, setSearch] = useSearchParams();
  const weeks = board.data?.weeks ?? 1;
  const number = Math.min(
    Math.max(1, Number(search.get('week') ?? board.data?.present_week ?? 1) || 1),
    Math.max(1, weeks),
  );
  const later = useQuery({
    queryKey: ['week', client, board.data?.version, number],
    queryFn: () =>
      answer(
        api.GET('/clients/{client}/programs/{program}/weeks/{week}', {
          params: { path: { client, program: 'current', week: number } },
        }),
      ),
    enabled: number > 1,
    placeholderData: (before) => before,
  });
  return {
    number,
    weeks,
    present: board.data?.present_week ?? 1,
    days: board.data?.week_days[number - 1] ?? null,
    week: number === 1 ? (board.data?.week ?? null) : (later.data ?? null),
    error: later.error,
    isPending: number > 1 && later.isPending,
    choose: (next: number) => {
      setSearch({ week: String(next) }, { replace: true });
    },
  };
}
