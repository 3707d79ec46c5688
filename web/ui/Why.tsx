import { CircleHelp } from 'lucide-react';
import { lazy, Suspense, useRef, useState, type ReactNode } from 'react';

const load = () => import('./WhyPopover');
const WhyPopover = lazy(load);

/** The reasons behind a suggestion, a tap away: on a mark of its own, or on what it explains. */
export function Why({ about, reasons, children }: { about: string; reasons: string[]; children?: ReactNode }) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  if (reasons.length === 0) return children ?? null;
  return (
    <>
      <button
        ref={button}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={open}
        aria-label={`Why: ${about}`}
        className={
          children === undefined
            ? 'inline-flex size-8 shrink-0 items-center justify-center rounded-full text-faint hover:text-ink'
            : 'min-h-8 text-left hover:underline'
        }
        onPointerEnter={() => void load()}
        onClick={() => {
          setOpen(!open);
        }}
      >
        {children ?? <CircleHelp size={18} aria-hidden />}
      </button>
      <Suspense fallback={null}>
        {open && (
          <WhyPopover
            reasons={reasons}
            at={button}
            onClose={() => {
              setOpen(false);
            }}
          />
        )}
      </Suspense>
    </>
  );
}
