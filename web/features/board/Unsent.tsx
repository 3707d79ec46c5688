import { useMutationState, useQueryClient, type Mutation } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { isUnreachable } from '../../api/client';
import { Button } from '../../ui/Button';
import { useBoard, useBoardChange, useClientId, type BoardChange } from '../../parts/board/useBoard';

/** Changes that did not reach the server: they wait here until it is back, or until the trainer lets them go. */
export function Unsent() {
  const client = useClientId();
  const board = useBoard();
  const command = useBoardChange();
  const cache = useQueryClient().getMutationCache();
  const failed = useMutationState({
    filters: { mutationKey: ['board', client], status: 'error' },
    select: (change) => change as Mutation<unknown, Error, BoardChange>,
  });
  const waiting = useMemo(() => failed.filter((each) => isUnreachable(each.state.error)), [failed]);
  const { mutate } = command;

  useEffect(() => {
    const sendAll = () => {
      for (const each of waiting) {
        const change = each.state.variables;
        // an undo means whatever is newest by then: it is sent by a tap alone
        if (change?.about === undefined) continue;
        cache.remove(each);
        mutate(change);
      }
    };
    window.addEventListener('online', sendAll);
    return () => {
      window.removeEventListener('online', sendAll);
    };
  }, [waiting, cache, mutate]);

  if (waiting.length === 0 || board.data === undefined) return null;
  const shown = board.data;
  return (
    <section aria-label="Not sent" className="mb-3 rounded-md border-2 border-warn bg-card px-4 py-2 print:hidden">
      <p role="status" className="font-semibold">
        The server cannot be reached. {waiting.length === 1 ? 'This was' : 'These were'} not sent and{' '}
        {waiting.length === 1 ? 'waits' : 'wait'} as long as this page is open:
      </p>
      <ul>
        {waiting.map((each) => {
          const change = each.state.variables;
          const about = change?.about?.(shown);
          const name = about === undefined ? (change?.name ?? '') : `${change?.name ?? ''}: ${about}`;
          return (
            <li key={each.mutationId} className="flex flex-wrap items-center gap-2 py-0.5">
              <span className="min-w-0 flex-1">{name}</span>
              <Button
                aria-label={`Send now: ${name}`}
                onClick={() => {
                  cache.remove(each);
                  if (change !== undefined) mutate(change);
                }}
              >
                Send now
              </Button>
              <Button
                look="quiet"
                aria-label={`Do not send: ${name}`}
                onClick={() => {
                  cache.remove(each);
                }}
              >
                Do not send
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
