import { CircleHelp } from 'lucide-react';
import { Popover } from 'radix-ui';

/** The reasons behind a suggestion, a tap away. */
export function Why({ about, reasons }: { about: string; reasons: string[] }) {
  if (reasons.length === 0) return null;
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`Why: ${about}`}
        className="inline-flex size-8 shrink-0 items-center justify-center rounded-full text-faint hover:text-ink"
      >
        <CircleHelp size={18} aria-hidden />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          collisionPadding={12}
          className="z-20 max-w-80 rounded-md border border-line bg-card p-4 text-[15px] shadow-lg"
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
