import { lazy, Suspense, useState } from 'react';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Notice, Waiting } from '../../ui/Notice';
import { useBoardChange, type Board } from '../board/useBoard';
import { keepProgram, planAnew } from './changes';

const PlanPreview = lazy(() => import('./PlanPreview'));

/** Something changed that a plan goes by: what it would change, and whether the program is planned anew. */
export function PlanQuestion({ board }: { board: Board }) {
  const command = useBoardChange();
  const [open, setOpen] = useState(false);
  if (board.plan_asked === null) return null;
  const since = board.plan_asked.join(', ');
  const send = (change: ReturnType<typeof planAnew>) => {
    command.mutate(change, {
      onSuccess: () => {
        setOpen(false);
      },
    });
  };
  const answers = (
    <>
      <Button
        look="act"
        disabled={command.isPending}
        onClick={() => {
          send(planAnew());
        }}
      >
        Plan anew
      </Button>
      <Button
        disabled={command.isPending}
        onClick={() => {
          send(keepProgram());
        }}
      >
        Keep the program as it is
      </Button>
    </>
  );
  return (
    <section aria-label="Plan anew?" className="mb-3 print:hidden">
      <Notice title={`Changed since the program was planned: ${since}.`}>
        <p>Nothing was planned anew. What is barred now is left out when a session is run.</p>
        <div className="mt-2 flex flex-wrap gap-2">
          <Dialog
            wide
            title="What planning anew would change"
            open={open}
            onOpenChange={setOpen}
            trigger={<Button>See what would change</Button>}
          >
            <Suspense fallback={<Waiting what="the weeks" />}>
              <PlanPreview board={board} />
            </Suspense>
            <div className="mt-3 flex flex-wrap gap-2">{answers}</div>
          </Dialog>
          {answers}
        </div>
        <p role="alert" className="font-semibold text-warn empty:hidden">
          {command.error?.message}
        </p>
      </Notice>
    </section>
  );
}
