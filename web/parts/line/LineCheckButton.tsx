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

const RangeCheck = lazy(() => import('./RangeCheck'));

/** Opens the measuring of a range in a picture. */
export function RangeButton({ name, onMeasured }: { name: string; onMeasured: (cm: number) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog
      title={`Range in a picture: ${name}`}
      open={open}
      onOpenChange={setOpen}
      wide
      trigger={
        <Button>
          <Ruler size={16} aria-hidden /> Measure in a picture
        </Button>
      }
    >
      <Suspense fallback={<Waiting what="the picture" />}>
        <RangeCheck
          onMeasured={(cm) => {
            onMeasured(cm);
            setOpen(false);
          }}
        />
      </Suspense>
    </Dialog>
  );
}
