import { Ruler } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Waiting } from '../../ui/Notice';
import type { LineCheckProps } from './LineCheck';

const LineCheck = lazy(() => import('./LineCheck'));

/** Opens the line check of an exercise. */
export function LineCheckButton({
  name,
  className = '',
  ...check
}: LineCheckProps & { name: string; className?: string }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog
      title={`Line check: ${name}`}
      open={open}
      onOpenChange={setOpen}
      wide
      trigger={
        <Button className={className}>
          <Ruler size={16} aria-hidden /> Line check
        </Button>
      }
    >
      <Suspense fallback={<Waiting what="the line check" />}>
        <LineCheck {...check} />
      </Suspense>
    </Dialog>
  );
}
