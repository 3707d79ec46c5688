import { Pencil } from 'lucide-react';
import { useId, useState } from 'react';
import { asks, isConflict, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { useBoard, useBoardChange } from '../../parts/board/useBoard';
import { changeDose, type Place } from './changes';

/** A dose that can be changed where it stands: typed as trainers write it, or taken from the rung's own steps. */
export function DoseLine({ entry, place }: { entry: Schemas['BoardEntry']; place: Place }) {
  const [text, setText] = useState<string | null>(null);
  const [asked, setAsked] = useState('');
  const command = useBoardChange();
  const board = useBoard();
  const errorId = useId();
  const rung = board.data?.ladders.flatMap((ladder) => ladder.rungs).find((each) => each.id === entry.exercise);

  function save(dose: string, sure = false) {
    setAsked(dose);
    command.mutate(changeDose(place, dose, sure), {
      onSuccess: () => {
        setText(null);
      },
    });
  }

  if (text === null) {
    return (
      <div className="flex flex-wrap items-center gap-x-1 pl-10">
        <button
          type="button"
          aria-label={`Change the dose of ${entry.name}: ${entry.dose}`}
          onClick={() => {
            command.reset();
            setText(entry.dose);
          }}
          className="group inline-flex min-h-8 items-center gap-2 rounded border border-transparent px-1 text-left hover:border-line"
        >
          {entry.dose}
          <Pencil size={14} aria-hidden className="text-faint" />
        </button>
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
      </div>
    );
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
            if (event.key === 'Escape') setText(null);
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
            sets × reps, seconds (20 s) or repeats (4 × 10 s / 5 s), then /s or /alt, tempo, @8 kg, rest r0:30
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
            setText(null);
          }}
        >
          Cancel
        </Button>
      </div>
    </form>
  );
}
