import { useQuery } from '@tanstack/react-query';
import { Repeat2 } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { answer, api, isConflict, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { Tick } from '../../ui/Field';
import { Still } from '../../ui/Figure';
import { Waiting } from '../../ui/Notice';
import { useBoardCommand, useClientId, useLibrary } from '../../parts/board/useBoard';
import { useFigures } from '../../parts/rungs/useRungs';
import type { Place } from './DoseLine';

/** What can stand in for one exercise of the week, with what is sore today spared. */
export function SwapDialog({ entry, place }: { entry: Schemas['BoardEntry']; place: Place }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger
        aria-label={`Swap ${entry.name}`}
        className="inline-flex size-8 shrink-0 items-center justify-center rounded-full text-faint hover:text-ink"
      >
        <Repeat2 size={18} aria-hidden />
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-ink/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-2 top-4 z-40 mx-auto flex max-h-[calc(100vh-2rem)] max-w-3xl flex-col overflow-hidden rounded-lg border border-line bg-card p-4"
        >
          <Dialog.Title className="text-xl font-bold">Instead of {entry.name}</Dialog.Title>
          <Choices
            entry={entry}
            place={place}
            onDone={() => {
              setOpen(false);
            }}
          />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Choices({ entry, place, onDone }: { entry: Schemas['BoardEntry']; place: Place; onDone: () => void }) {
  const client = useClientId();
  const library = useLibrary();
  const figures = useFigures();
  const command = useBoardCommand();
  const [spare, setSpare] = useState<string[]>([]);
  const swaps = useQuery({
    queryKey: ['swaps', client, entry.exercise, spare],
    queryFn: () =>
      answer(
        api.GET('/clients/{client}/swaps/{rung}', {
          params: {
            path: { client, rung: entry.exercise },
            query: spare.length === 0 ? {} : { spare: spare.join(',') },
          },
        }),
      ),
    placeholderData: (before) => before,
  });
  return (
    <>
      <fieldset className="mb-2">
        <legend className="text-[15px] text-faint">Beside what is known of the client, spare today:</legend>
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
        <p>Nothing else that is allowed trains this, with this kit and these limits.</p>
      )}
      <ul className="min-h-0 flex-1 overflow-y-auto">
        {swaps.data?.swaps.map((swap) => (
          <li key={swap.id} className="flex items-center gap-3 border-t border-line py-1.5">
            <Still drawing={figures[swap.id]} className="h-12 w-20 shrink-0" />
            <span className="flex-1">
              <span className="font-semibold">
                <Code code={swap.category} /> {swap.name}
              </span>{' '}
              <span className="text-sm text-faint">level {swap.level}</span>
              <span className={`block text-[15px] ${swap.same_direction ? 'text-faint' : 'font-semibold text-warn'}`}>
                {swap.why.join(' ')}
              </span>
            </span>
            <Button
              disabled={command.isPending}
              aria-label={`Put ${swap.name} in the week`}
              onClick={() => {
                command.mutate({ do: 'swap', ...place, rung: swap.id }, { onSuccess: onDone });
              }}
            >
              Put in
            </Button>
          </li>
        ))}
      </ul>
      <div className="pt-2 text-right">
        <Dialog.Close asChild>
          <Button look="quiet">Cancel</Button>
        </Dialog.Close>
      </div>
    </>
  );
}
