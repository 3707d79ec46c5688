import { CircleHelp } from 'lucide-react';
import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

/** The reasons behind a suggestion, a tap away: on a mark of its own, or on what it explains. */
export function Why({ about, reasons, children }: { about: string; reasons: string[]; children?: ReactNode }) {
  if (reasons.length === 0) return children ?? null;
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`Why: ${about}`}
        className={
          children === undefined
            ? 'inline-flex size-8 shrink-0 items-center justify-center rounded-full text-faint hover:text-ink'
            : 'min-h-8 text-left hover:underline'
        }
      >
        {children ?? <CircleHelp size={18} aria-hidden />}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          collisionPadding={12}
          className="z-20 max-w-80 rounded-md border border-line bg-card p-4 text-[0.9375rem] shadow-lg"
        >
          <p className="mb-1 font-bold">Why</p>
          <ul className="list-disc space-y-1 pl-4">
            {reasons.map((reason) => (
              <li key={reason}>{reason}</li>
            ))}
          </ul>
          <Popover.Arrow className="fill-line" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
