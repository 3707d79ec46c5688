import { useMutationState, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiError } from '../../api/client';
import { Button } from '../../ui/Button';
import { useBoardChange, useClientId, type Board, type BoardChange } from '../../parts/board/useBoard';

/** What happens when somebody else changed the client first: theirs, mine on top, or a look at both. */
export function Conflict() {
  const client = useClientId();
  const queries = useQueryClient();
  const command = useBoardChange();
  const [both, setBoth] = useState(false);
  const [settled, setSettled] = useState(0);
  const last = useMutationState({ filters: { mutationKey: ['board', client] } }).at(-1);
  const error = last?.error;
  if (last === undefined || !(error instanceof ApiError) || error.problem.status !== 409) return null;
  if (last.submittedAt === settled) return null;
  const newer = error.problem.current as Board;
  const mine = last.variables as BoardChange;
  const shown = queries.getQueryData<Board>(['board', client]);

  function take() {
    setSettled(last?.submittedAt ?? 0);
    setBoth(false);
    queries.setQueryData(['board', client], newer);
  }

  return (
    <div role="alertdialog" aria-labelledby="conflict" className="mb-3 rounded-md border-2 border-warn bg-card p-4">
      <h2 id="conflict" className="text-lg font-bold">
        Somebody changed this client in the meantime
      </h2>
      <p>{mine.name} was not made yet. Nothing is lost: choose what counts.</p>
      {both && (
        <dl className="my-2 grid gap-x-6 sm:grid-cols-2">
          <div className="rounded bg-paper p-2">
            <dt className="font-bold">Mine</dt>
            <dd>
              {mine.name}
              {mine.about !== undefined && `: ${mine.about(newer)}`}. Before it the week took{' '}
              {shown?.week?.total.text ?? '–'} min.
            </dd>
          </div>
          <div className="rounded bg-paper p-2">
            <dt className="font-bold">Newer</dt>
            <dd>
              Last change: {newer.undo ?? 'the client’s details'}. The week takes {newer.week?.total.text ?? '–'} min.
              {newer.ladders
                .filter((ladder) => standing(shown, ladder.id) !== ladder.standing?.rung)
                .map((ladder) => (
                  <span key={ladder.id} className="block">
                    {ladder.name}: {nameOf(newer, ladder.standing?.rung ?? '')}
                  </span>
                ))}
            </dd>
          </div>
        </dl>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <Button
          look="act"
          disabled={command.isPending}
          onClick={() => {
            take();
            command.mutate(mine);
          }}
        >
          Keep mine, on top
        </Button>
        <Button onClick={take}>Take the newer</Button>
        {!both && (
          <Button
            onClick={() => {
              setBoth(true);
            }}
          >
            See both
          </Button>
        )}
      </div>
    </div>
  );
}

function standing(board: Board | undefined, ladder: string): string | undefined {
  return board?.ladders.find((each) => each.id === ladder)?.standing?.rung;
}

function nameOf(board: Board, rung: string): string {
  return board.ladders.flatMap((ladder) => ladder.rungs).find((each) => each.id === rung)?.name ?? 'nothing';
}
