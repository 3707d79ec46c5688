import { X } from 'lucide-react';
import { useState } from 'react';
import { isConflict, type Schemas } from '../../api/client';
import { longDate, today } from '../../lib/dates';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { fieldError } from '../../lib/fieldError';
import { useBoard, useBoardChange } from '../../parts/board/useBoard';
import { datesOfProgram } from './changes';

type Shift = Schemas['ProgramShift'];

function wordsOf(shift: Shift): string {
  if (shift.to !== undefined) return `Away ${longDate(shift.from)} to ${longDate(shift.to)}`;
  const weeks = shift.weeks ?? 1;
  return `From ${longDate(shift.from)} on ${weeks === 1 ? 'a week' : `${weeks} weeks`} later`;
}

/** The day on which the program begins, and when the client is away: what is left moves on by whole weeks. */
export function ProgramDays() {
  const board = useBoard();
  const command = useBoardChange();
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const dates = board.data?.dates ?? null;
  if (dates === null) return null;
  const change = (began: string, shifts: Shift[]) => {
    command.mutate(datesOfProgram(began, shifts), {
      onSuccess: () => {
        setFrom('');
        setTo('');
      },
    });
  };
  const failed = !isConflict(command.error) ? command.error : null;
  const last = board.data?.week_days[board.data.week_days.length - 1]?.to ?? null;
  return (
    <section aria-label="Days of the program" className="rounded-lg border border-line bg-card p-3">
      <div className="flex flex-wrap items-end gap-3">
        <TextField
          label="Begins on"
          type="date"
          className="w-44"
          value={dates.began}
          onChange={(began) => {
            if (began !== '') change(began, dates.shifts);
          }}
        />
        <TextField label="Away from" type="date" className="w-44" value={from} onChange={setFrom} />
        <TextField
          label="to"
          type="date"
          className="w-44"
          value={to}
          onChange={setTo}
          error={fieldError(failed, `/shifts/${dates.shifts.length}/to`)}
        />
        <Button
          disabled={from === '' || to === '' || command.isPending}
          onClick={() => {
            change(dates.began, [...dates.shifts, { from, to }]);
          }}
        >
          Add
        </Button>
        <Button
          disabled={command.isPending}
          onClick={() => {
            change(dates.began, [...dates.shifts, { from: today(), weeks: 1 }]);
          }}
        >
          All that is left a week later
        </Button>
        {last !== null && <p className="ml-auto self-center text-faint">Ends on {longDate(last)}</p>}
      </div>
      <ul className="mt-1 flex flex-wrap gap-2">
        {dates.shifts.map((shift, i) => (
          <li key={i} className="flex items-center gap-1 rounded border border-line pl-2">
            {wordsOf(shift)}
            <Button
              look="quiet"
              aria-label={`Take back: ${wordsOf(shift)}`}
              disabled={command.isPending}
              onClick={() => {
                change(
                  dates.began,
                  dates.shifts.filter((_, k) => k !== i),
                );
              }}
            >
              <X size={16} aria-hidden />
            </Button>
          </li>
        ))}
      </ul>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {failed?.message}
      </p>
    </section>
  );
}
