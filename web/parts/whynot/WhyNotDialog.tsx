import { lazy, Suspense, useState } from 'react';
import { Button } from '../../ui/Button';
import { CloseDialog, Dialog } from '../../ui/Dialog';
import { Waiting } from '../../ui/Notice';

const AskWhyNot = lazy(async () => ({ default: (await import('./WhyNot')).AskWhyNot }));

/** The window in which it is asked why an exercise is not in the plan. */
export function WhyNotDialog({ rung, label }: { rung?: string; label: string }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog title="Why is it not in the plan?" open={open} onOpenChange={setOpen} trigger={<Button>{label}</Button>}>
      <div className="min-h-60 flex-1 space-y-3 overflow-y-auto px-1 py-2">
        <Suspense fallback={<Waiting what="the exercises" />}>
          <AskWhyNot {...(rung === undefined ? {} : { rung })} />
        </Suspense>
      </div>
      <div className="flex justify-end pt-2">
        <CloseDialog>
          <Button look="quiet">Close</Button>
        </CloseDialog>
      </div>
    </Dialog>
  );
}
