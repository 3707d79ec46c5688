import { useId, useState } from 'react';
import { asks, isConflict, type Schemas } from '../../api/client';
import { useMe } from '../../lib/session';
import { Button } from '../../ui/Button';
import { useBoard, useBoardChange } from '../../parts/board/useBoard';
import { changeDose, type Place } from './changes';

/** The dose of an entry, and what there is to say of it. */
export function DoseShown({ entry }: { entry: Schemas['BoardEntry'] }) {
  return (
    <span className="flex flex-wrap items-center gap-x-1 leading-tight">
      <span>{entry.dose}</span>
      {entry.extra !== null && (
        <span className="rounded-sm bg-paper px-1 text-sm font-semibold" title={entry.note ?? undefined}>
          one set more, {entry.extra} only
        </span>
      )}
      {entry.last_load !== null && <span className="text-sm text-faint">{entry.last_load}</span>}
      {entry.missing.map((gap) => (
        <span key={gap} className="rounded-sm bg-warn-soft px-1 text-sm font-semibold text-warn">
          {gap} not written
        </span>
      ))}
      {entry.unusual !== null && (
        <span
          className={`rounded-sm px-1 text-sm ${entry.unusual.far ? 'bg-warn-soft font-semibold text-warn' : 'text-faint'}`}
        >
          {entry.unusual.far ? 'far from usual: ' : 'note: '}
          {entry.unusual.text}
        </span>
      )}
    </span>
  );
}

/** A dose changed where it stands: typed as the trainer reads it, or taken from the rung's own steps. */
export function DoseForm({ entry, place, onDone }: { entry: Schemas['BoardEntry']; place: Place; onDone: () => void }) {
  const [text, setText] = useState(entry.dose);
  const [asked, setAsked] = useState('');
  const command = useBoardChange();
  const board = useBoard();
  const errorId = useId();
  const inShorthand = useMe().data?.doses === 'shorthand';
  const rung = board.data?.ladders.flatMap((ladder) => ladder.rungs).find((each) => each.id === entry.exercise);

  function save(dose: string, sure = false) {
    setAsked(dose);
    command.mutate(changeDose(place, dose, sure), {
      onSuccess: () => {
        onDone();
      },
    });
  }

  return (
    <form
      className="space-y-2 pt-1 pl-10"
      onSubmit={(event) => {
        event.preventDefault();
        save(text);
      }}
    >
      <label className="block text-sm font-semibold">
        Dose of {entry.name}
        <input
          autoFocus
          className="mt-0.5 block w-full rounded border border-wood bg-paper px-2 py-1.5 text-base font-normal"
          value={text}
          aria-invalid={command.isError}
          aria-describedby={errorId}
          onChange={(event) => {
            setText(event.target.value);
          }}
          onKeyDown={(event) => {
            if (event.key === 'Escape') onDone();
          }}
        />
      </label>
      <p id={errorId} className="text-sm">
        {command.isError && !isConflict(command.error) ? (
          <span role="alert" className="font-semibold text-warn">
            {asks(command.error, 'sure') ?? command.error.message}
          </span>
        ) : (
          <span className="text-faint">
            {inShorthand
              ? 'sets × reps, seconds (20 s) or repeats (4 × 10 s / 5 s), then /s or /alt, tempo, @8 kg, rest r0:30'
              : 'sets of reps or of seconds, on each side, tempo 2-0-2-0, 8 kg, rest 0:30; shorthand is read too'}
          </span>
        )}
      </p>
      {rung !== undefined && (
        <p className="flex flex-wrap gap-1">
          {rung.steps.map((step, i) => (
            <button
              type="button"
              key={step}
              className="min-h-8 rounded border border-line bg-paper px-2 text-sm hover:border-ink"
              onClick={() => {
                save(step);
              }}
            >
              Step {i + 1}: {step}
            </button>
          ))}
        </p>
      )}
      <div className="flex gap-2 pb-1">
        <Button look="act" type="submit" disabled={command.isPending}>
          Save
        </Button>
        {asks(command.error, 'sure') !== null && (
          <Button
            disabled={command.isPending}
            onClick={() => {
              save(asked, true);
            }}
          >
            It is meant
          </Button>
        )}
        <Button
          onClick={() => {
            onDone();
          }}
        >
          Cancel
        </Button>
      </div>
    </form>
  );
}
