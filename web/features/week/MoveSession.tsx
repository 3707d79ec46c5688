import { weekDays } from '../../lib/dates';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, isConflict, type Schemas } from '../../api/client';
import { dayNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { useBoard, useBoardChange, useClientId } from '../../parts/board/useBoard';
import { moveSession } from './changes';

type Day = Schemas['SessionMoveRequest']['day'];

/** Where a session can go: a day, of its week or of the one after. */
type Target = { day: Day; week_later: boolean };

const laterMark = '+1';

function targetOf(value: string): Target | null {
  const later = value.endsWith(laterMark);
  const day = later ? value.slice(0, -laterMark.length) : value;
  return day === '' ? null : { day: day as Day, week_later: later };
}

/** Moves a session to another day: what that breaks and mends is said before it is done. */
export function MoveSession({
  day,
  week,
  weeks,
  place,
}: {
  day: string;
  week: number;
  /** of the program */
  weeks: number;
  place: number;
}) {
  const client = useClientId();
  const board = useBoard();
  const command = useBoardChange();
  const [to, setTo] = useState('');
  const target = targetOf(to);
  const check = useMutation({
    mutationFn: (target: Target) =>
      answer(
        api.POST('/clients/{client}/sessions/move/check', {
          params: { path: { client } },
          body: { version: board.data?.version ?? 1, week, place, ...target },
        }),
      ),
  });
  return (
    <div className="px-4 py-2">
      <label className="flex items-center gap-2 text-[0.9375rem]">
        Move to
        <select
          autoFocus
          aria-label={`Move the session of ${dayNames[day] ?? day} to`}
          className="rounded-md border border-wood bg-card px-2 py-1.5"
          value={to}
          onChange={(event) => {
            setTo(event.target.value);
            const chosen = targetOf(event.target.value);
            if (chosen === null) check.reset();
            else check.mutate(chosen);
          }}
        >
          <option value="">another day …</option>
          {weekDays()
            .map((day) => [day, dayNames[day] ?? day] as const)
            .filter(([code]) => code !== day)
            .map(([code, name]) => (
              <option key={code} value={code}>
                {name}
              </option>
            ))}
          {week < weeks && (
            <optgroup label={`in week ${week + 1}`}>
              {weekDays().map((code) => (
                <option key={code} value={code + laterMark}>
                  {dayNames[code] ?? code} of week {week + 1}
                </option>
              ))}
            </optgroup>
          )}
        </select>
      </label>
      {target !== null && check.data !== undefined && (
        <div className="mt-2 space-y-1 text-[0.9375rem]" data-move-check>
          {check.data.breaks.length === 0 && <p>That breaks nothing.</p>}
          {check.data.breaks.map((each) => (
            <p key={each.rule + each.message} className="text-warn">
              <b>Breaks:</b> {each.place}: {each.message}
            </p>
          ))}
          {check.data.mends.map((each) => (
            <p key={each.rule + each.message}>
              <b>Mends:</b> {each.place}: {each.message}
            </p>
          ))}
          <Button
            look="act"
            disabled={command.isPending}
            onClick={() => {
              command.mutate(moveSession(week, place, target));
            }}
          >
            Move it
          </Button>
        </div>
      )}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {check.error?.message ?? (isConflict(command.error) ? null : command.error?.message)}
      </p>
    </div>
  );
}
