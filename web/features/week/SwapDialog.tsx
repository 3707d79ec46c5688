import { useState } from 'react';
import { isConflict, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { CloseDialog, Dialog } from '../../ui/Dialog';
import { Code } from '../../ui/Code';
import { Tick } from '../../ui/Field';
import { Still } from '../../ui/Figure';
import { Waiting } from '../../ui/Notice';
import { useBoardChange, useClientId, useLibrary } from '../../parts/board/useBoard';
import { useFigures } from '../../parts/rungs/useRungs';
import { swapExercise, type Place } from './changes';
import { Empty } from '../../ui/Empty';
import { useSwaps } from './queries';

/** What can stand in for one exercise of the week, with what is sore today spared. */
export function SwapDialog({
  entry,
  place,
  open,
  onOpenChange,
}: {
  entry: Schemas['BoardEntry'];
  place: Place;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  return (
    <Dialog title={`Instead of ${entry.name}`} open={open} onOpenChange={onOpenChange}>
      <Choices
        entry={entry}
        place={place}
        onDone={() => {
          onOpenChange(false);
        }}
      />
    </Dialog>
  );
}

function Choices({ entry, place, onDone }: { entry: Schemas['BoardEntry']; place: Place; onDone: () => void }) {
  const client = useClientId();
  const library = useLibrary();
  const figures = useFigures();
  const command = useBoardChange();
  const [spare, setSpare] = useState<string[]>([]);
  const swaps = useSwaps(client, entry.exercise, spare);
  return (
    <>
      <fieldset className="mb-2">
        <legend className="text-[0.9375rem] text-faint">Beside what is known of the client, spare today:</legend>
        <div className="flex flex-wrap gap-x-4">
          {library.data?.library.limits
            .filter((limit) => limit.kind === 'soreness')
            .map((limit) => (
              <Tick
                key={limit.id}
                label={limit.name}
                checked={spare.includes(limit.id)}
                onChange={(on) => {
                  setSpare(on ? [...spare, limit.id] : spare.filter((each) => each !== limit.id));
                }}
              />
            ))}
        </div>
      </fieldset>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {swaps.error?.message ?? (isConflict(command.error) ? null : command.error?.message)}
      </p>
      {swaps.isPending && <Waiting what="the swaps" />}
      {swaps.data?.swaps.length === 0 && (
        <Empty>Nothing else that is allowed trains this, with this kit and these limits.</Empty>
      )}
      <ul className="min-h-0 flex-1 overflow-y-auto">
        {swaps.data?.swaps.map((swap) => (
          <li key={swap.id} className="flex items-center gap-3 border-t border-line py-1.5">
            <Still drawing={figures[swap.id]} className="h-16 w-18 shrink-0" />
            <span className="flex-1">
              <span className="font-semibold">
                <Code code={swap.category} /> {swap.name}
              </span>{' '}
              <span className="text-sm text-faint">level {swap.level}</span>
              <span
                className={`block text-[0.9375rem] ${swap.same_direction ? 'text-faint' : 'font-semibold text-warn'}`}
              >
                {swap.why.join(' ')}
              </span>
            </span>
            <Button
              disabled={command.isPending}
              aria-label={`Put ${swap.name} in the week`}
              onClick={() => {
                command.mutate(swapExercise(place, swap.id), { onSuccess: onDone });
              }}
            >
              Put in
            </Button>
          </li>
        ))}
      </ul>
      <div className="pt-2 text-right">
        <CloseDialog>
          <Button look="quiet">Cancel</Button>
        </CloseDialog>
      </div>
    </>
  );
}
