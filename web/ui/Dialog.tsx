import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  title: string;
  /** what opens it: one button; none where something else does */
  trigger?: ReactNode;
  open: boolean;
  onOpenChange: (open: boolean) => void;
  /** wide enough for three columns */
  wide?: boolean;
  children: ReactNode;
}

/** A window over the page that keeps the focus until it is closed. */
export function Dialog({ title, trigger, open, onOpenChange, wide = false, children }: Props) {
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      {trigger !== undefined && <Radix.Trigger asChild>{trigger}</Radix.Trigger>}
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-30 bg-ink/40" />
        <Radix.Content
          aria-describedby={undefined}
          className={`fixed inset-x-2 top-4 z-40 mx-auto flex max-h-[calc(100vh-2rem)] flex-col rounded-lg border border-line bg-card p-4 ${wide ? 'max-w-5xl overflow-y-auto' : 'max-w-3xl overflow-hidden'}`}
        >
          <Radix.Title className="text-xl font-bold">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

/** Closes the dialog that its button stands in. */
export function CloseDialog({ children }: { children: ReactNode }) {
  return <Radix.Close asChild>{children}</Radix.Close>;
}
