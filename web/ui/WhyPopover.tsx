import { Popover } from 'radix-ui';
import type { RefObject } from 'react';

interface Props {
  reasons: string[];
  /** the button that it belongs to */
  at: RefObject<HTMLButtonElement | null>;
  onClose: () => void;
}

/** Reasons beside their button, in a file of its own. */
export default function WhyPopover({ reasons, at, onClose }: Props) {
  return (
    <Popover.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <Popover.Anchor virtualRef={at} />
      <Popover.Portal>
        <Popover.Content
          collisionPadding={12}
          className="z-20 max-w-80 rounded-md border border-line bg-card p-4 text-[0.9375rem] shadow-lg"
          onInteractOutside={(event) => {
            // the button closes it by itself
            if (event.target instanceof Node && at.current?.contains(event.target) === true) event.preventDefault();
          }}
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
