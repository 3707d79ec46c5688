import { useState } from 'react';
import { useBoard, useBoardChange, useLibrary } from '../../parts/board/useBoard';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { CloseDialog } from '../../ui/Dialog';
import { Tick } from '../../ui/Field';
import { chooseLadders } from './changes';

/** The ladders that a client uses, ticked; what is done with them tells whether only some are used. */
export default function LadderTicks({ onDone }: { onDone: (some: boolean) => void }) {
  const board = useBoard();
  const library = useLibrary();
  const command = useBoardChange();
  const ladders = board.data?.ladders ?? [];
  const leftOut = new Set(board.data?.style.without_ladders);
  const before = board.data?.used_ladders ?? ladders.map((each) => each.id).filter((id) => !leftOut.has(id));
  const [ticked, setTicked] = useState<string[]>(before);

  function save(ids: string[] | null) {
    command.mutate(chooseLadders(ids), {
      onSuccess: () => {
        onDone(ids !== null);
      },
    });
  }

  return (
    <>
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
    </>
  );
}
