import { ListChecks } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Waiting } from '../../ui/Notice';
import { Tabs } from '../../ui/Tabs';
import { useBoard } from '../../parts/board/useBoard';
import type { View } from './groups';

const LadderTicks = lazy(() => import('./LadderTicks'));

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
  const [open, setOpen] = useState(false);
  return (
    <Dialog
      wide
      title={`Ladders of ${board.data?.client.name ?? ''}`}
      open={open}
      onOpenChange={setOpen}
      trigger={
        <Button look="quiet">
          <ListChecks size={18} aria-hidden /> Choose ladders
        </Button>
      }
    >
      <Suspense fallback={<Waiting what="the ladders" />}>
        <LadderTicks
          onDone={(some) => {
            setOpen(false);
            if (some) onChosen();
          }}
        />
      </Suspense>
    </Dialog>
  );
}
