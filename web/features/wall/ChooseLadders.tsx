import { ListChecks } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { CloseDialog, Dialog } from '../../ui/Dialog';
import { Tabs } from '../../ui/Tabs';
import { Code } from '../../ui/Code';
import { Tick } from '../../ui/Field';
import { useBoard, useBoardChange, useLibrary } from '../../parts/board/useBoard';
import type { View } from './groups';
import { chooseLadders } from './changes';

/** Which ladders the wall shows, and which of them the client uses at all. */
export function ChooseLadders({ view, onView, shown }: { view: View; onView: (view: View) => void; shown: number }) {
  const board = useBoard();
  const total = board.data?.ladders.length ?? 0;
  const chosen = board.data?.used_ladders ?? null;
  const views: [View, string][] = [
    ['week', 'This week and the aims'],
    ...(chosen === null ? [] : ([['chosen', `Chosen (${chosen.length})`]] as [View, string][])),
    ['all', `All ${total}, by direction`],
  ];
  return (
    <div className="-mt-1 mb-1 flex flex-wrap items-center gap-x-2">
      <Tabs label="Ladders shown" tabs={views} shown={view} onShow={onView} />
      <Choose
        onChosen={() => {
          onView('chosen');
        }}
      />
      <p className="sr-only" role="status">
        {shown} ladders shown
      </p>
    </div>
  );
}

function Choose({ onChosen }: { onChosen: () => void }) {
  const board = useBoard();
  const library = useLibrary();
  const command = useBoardChange();
  const [open, setOpen] = useState(false);
  const ladders = board.data?.ladders ?? [];
  const leftOut = new Set(board.data?.style.without_ladders);
  const before = board.data?.used_ladders ?? ladders.map((each) => each.id).filter((id) => !leftOut.has(id));
  const [ticked, setTicked] = useState<string[]>([]);

  function save(ids: string[] | null) {
    command.mutate(chooseLadders(ids), {
      onSuccess: () => {
        setOpen(false);
        if (ids !== null) onChosen();
      },
    });
  }

  return (
    <Dialog
      wide
      title={`Ladders of ${board.data?.client.name ?? ''}`}
      open={open}
      onOpenChange={(now) => {
        setOpen(now);
        setTicked(before);
      }}
      trigger={
        <Button look="quiet">
          <ListChecks size={18} aria-hidden /> Choose ladders
        </Button>
      }
    >
      <p className="mb-2 text-[0.9375rem] text-faint">
        The wall shows the ticked ones together, and the next plan of the week draws only on them.
      </p>
      <div className="gap-x-6 sm:columns-2 lg:columns-3">
        {library.data?.categories.map((category) => (
          <fieldset key={category.code} className="mb-3 break-inside-avoid">
            <legend className="font-bold">
              <Code code={category.code} /> {category.name}
            </legend>
            {ladders
              .filter((ladder) => ladder.category === category.code)
              .map((ladder) => (
                <Tick
                  key={ladder.id}
                  label={ladder.name}
                  checked={ticked.includes(ladder.id)}
                  onChange={(on) => {
                    setTicked(on ? [...ticked, ladder.id] : ticked.filter((each) => each !== ladder.id));
                  }}
                />
              ))}
          </fieldset>
        ))}
      </div>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {command.error?.message}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button
          look="act"
          disabled={ticked.length === 0 || command.isPending}
          onClick={() => {
            save(ticked);
          }}
        >
          Use these {ticked.length}
        </Button>
        <Button
          disabled={command.isPending}
          onClick={() => {
            save(null);
          }}
        >
          Use all of the house style
        </Button>
        <CloseDialog>
          <Button look="quiet">Cancel</Button>
        </CloseDialog>
      </div>
    </Dialog>
  );
}
